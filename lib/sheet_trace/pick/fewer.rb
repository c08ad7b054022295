# frozen_string_literal: true

module SheetTrace
  module Pick
    # What is picked without its outer ring: all that has no corner in common with what is not picked.
    module Fewer
      extend Way

      picked

      def self.call(job, kind, picked:)
        picked - More.call(job, kind, picked: Others.call(job, kind, picked: picked))
      end
    end
  end
end
