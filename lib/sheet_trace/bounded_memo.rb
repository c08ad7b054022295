# frozen_string_literal: true

module SheetTrace
  # Values that were worked out last, up to a number of bytes; what was not asked for the longest goes first.
  class BoundedMemo
    # @param limit [Integer] bytes
    def initialize(limit:)
      @limit = limit
      @kept = {}
      @bytes = 0
    end

    # @yieldreturn [#bytesize, nil] the value, where it is not kept
    def fetch(key)
      return @kept[key] = @kept.delete(key) if @kept.key?(key)

      yield.tap { |value| keep(key, value) }
    end

    # @return [#bytesize, nil] what is kept
    def [](key) = @kept[key]

    # @param value [#bytesize, nil]
    def keep(key, value)
      drop(key)
      @kept[key] = value
      @bytes += value.nil? ? 0 : value.bytesize
      drop(@kept.first.first) while @bytes > @limit && @kept.size > 1
    end

    private

    def drop(key)
      value = @kept.delete(key)
      @bytes -= value.bytesize if value
    end
  end
end
