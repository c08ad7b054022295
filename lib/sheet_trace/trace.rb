# frozen_string_literal: true

module SheetTrace
  # The wireframe template that painters paint over.
  module Trace
  end
end
