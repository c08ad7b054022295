# frozen_string_literal: true

module SheetTrace
  module Pick
    # All that is not picked.
    module Others
      extend Way

      picked

      def self.call(job, kind, picked:) = (0...Pick.count(job.mesh, kind)).to_a - picked
    end
  end
end
