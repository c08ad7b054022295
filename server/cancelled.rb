# frozen_string_literal: true

module SheetTraceServer
  # Ends a request's work wherever it is, as nobody waits for it any more. No StandardError, so that nothing on the way
  # takes it for a fault of its own.
  class Cancelled < Exception # rubocop:disable Lint/InheritException
    # Does what must not be left half done.
    def self.held_off(&) = Thread.handle_interrupt(self => :never, &)

    # Does what may be left at any place.
    def self.let_in(&) = Thread.handle_interrupt(self => :immediate, &)
  end
end
