# frozen_string_literal: true

module SheetTrace
  module Operations
    # Says what an edition replaces of a layer: what it shows, or whether it is seen. The other editions and the stack
    # stay as they are.
    class ReplaceInEdition < Operation
      layer
      edition :edition, "the one shown if nil", optional: true
      parameter :content, Artwork::KindOf.new(Artwork::CONTENTS), optional: true
      flag :visible, optional: true
      flag :restore, "as the stack has it again", default: false

      def call(job)
        stack = job.artwork
        index = edition || stack.shown
        own = stack.editions[index]
        changes = { content: content, visible: visible }.compact
        refuse("give content, visible or restore") if changes.empty? && !restore

        after =
          changes.reduce(restore ? own.leave(id) : own) do |so_far, (member, value)|
            so_far.replace(id, member => value)
          end
        done =
          [
            restore && "as in the stack",
            content && "shows #{content.to_words}",
            (
              if visible.nil?
                nil
              else
                (visible ? "shown" : "hidden")
              end
            )
          ].select { |words| words }
        change(
          job.with(artwork: stack.replace_edition(index, after)),
          "#{own.name}: #{stack.layer(id).name} #{done.join(", ")}"
        )
      end
    end
  end
end
