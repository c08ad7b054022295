# frozen_string_literal: true

module SheetTrace
  class Job
    # A layout that was set aside under a name, to be compared with and gone back to. It is read when it is first
    # looked at.
    class KeptMap
      # @return [String]
      attr_reader :name

      # @param name [String]
      # @yieldreturn [Layout]
      def initialize(name, &read)
        @name = name
        @read = read
      end

      # @return [Layout]
      def layout = @layout ||= @read.call
    end
  end
end
