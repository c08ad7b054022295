# frozen_string_literal: true

module SheetTrace
  module Pick
    # All that is not picked.
    module Others
      def self.call(job, kind, picked:) = (0...Pick.count(job.mesh, kind)).to_a - Pick.checked(job, kind, picked)
    end
  end
end
