# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lets a layer that shows what another shows go its own way, from what it shows now.
    class FreeLayer < Operation
      layer

      def call(job)
        stack = job.artwork
        unless stack.layer(id).content.is_a?(Artwork::Contents::Same)
          refuse("#{stack.layer(id).name} shows what is its own already")
        end

        own = stack.resolved.find { |layer| layer.id == id }
        change(job.with(artwork: stack.replace(own)), "#{own.name} goes its own way")
      end
    end
  end
end
