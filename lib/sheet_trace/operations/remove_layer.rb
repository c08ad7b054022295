# frozen_string_literal: true

module SheetTrace
  module Operations
    # Takes a layer away, with what editions replace of it. Its picture stays with the job, for undo and for another
    # layer.
    class RemoveLayer < Operation
      layer

      def call(job)
        layer = job.artwork.layer(id)
        refuse("#{layer.name} is locked; unlock it first") if job.artwork.locked?(layer)

        stack = job.artwork.remove(id)
        change(job.with(artwork: stack), "#{layer.name} removed, #{stack.layers.size} layers left")
      end
    end
  end
end
