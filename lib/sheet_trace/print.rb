# frozen_string_literal: true

module SheetTrace
  # What is printed in true size: labels with what a printer needs round them, and nets to be folded.
  module Print
    MM_PER_INCH = 25.4
  end
end
