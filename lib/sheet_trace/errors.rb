# frozen_string_literal: true

# Every error class of the core. A message reads: place, what is wrong, value got, what would do.
module SheetTrace
  # The root of them all: a message for people, a code and places for programs.
  class Error < StandardError
    # @return [Hash] places the error speaks of, such as { line: 12 } or { island: 3 }
    attr_reader :where

    def initialize(message, where: {})
      super(message)
      @where = where
    end

    # @return [String] the class's name in snake case without "Error", such as "unsupported_feature"
    def code
      self.class.name.split("::").last.delete_suffix("Error").gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase
    end
  end

  # An argument of the wrong shape or out of range.
  class InputError < Error
  end

  # A registry lacks the name asked for.
  class UnknownNameError < InputError
  end

  # A file breaks its format; where: { file:, line: } or { byte: }.
  class FormatError < Error
  end

  # A valid file that uses what we don't read; the message names the feature.
  class UnsupportedFeatureError < FormatError
  end

  # A mesh that can't be worked on; where: { face: } or the like.
  class MeshError < Error
  end

  # A sheet map that can't be worked on.
  class UvError < Error
  end

  # A layout that can't be worked on; where: { island: }.
  class LayoutError < Error
  end

  # An operation's validate found problems; carries them.
  class InvalidOperationError < Error
    # @return [Array<String>] one sentence a problem
    attr_reader :problems

    def initialize(problems, where: {})
      @problems = problems
      super(problems.join("; "), where: where)
    end
  end

  # Something is too large; where: { limit:, got: }.
  class LimitError < Error
  end
end
