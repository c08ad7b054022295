# frozen_string_literal: true

module SheetTrace
  class Layout
    class Pack
      # Looks for the largest scale at which all fit: each try learns from how far down the last one came.
      class ScaleSearch
        CLOSE = 1.004
        FAR = 1.04
        STEP_UP = 1.012
        MOST_TRIES = 30
        private_constant :CLOSE, :FAR, :STEP_UP, :MOST_TRIES

        # @return [Float] the scale to be tried next
        attr_reader :guess
        # @return [Float, nil] the largest at which all fitted
        attr_reader :fits

        def initialize(guess)
          @guess = guess
          @too_large = Float::INFINITY
          @tries = 0
        end

        # @param share_down [Float, nil] how far down they came at the guess, of the sheet; nil where there was no place
        # @return [Boolean] whether they fitted
        def tried(share_down)
          @tries += 1
          fitted = !share_down.nil? && share_down <= 1
          fitted ? @fits = guess : @too_large = [too_large, guess].min
          @guess = next_guess(share_down)
          fitted
        end

        # A few tries do where the scale that fits is near the one that does not, or the one that would be tried next;
        # until then it goes on.
        #
        # @param usual [Integer] tries
        def done?(usual)
          return @tries >= MOST_TRIES unless fits
          return true if too_large / fits < CLOSE

          ahead = too_large.finite? ? too_large : guess
          @tries >= (ahead / fits > FAR ? MOST_TRIES : usual)
        end

        private

        # @return [Float] the least at which they did not fit
        attr_reader :too_large

        def next_guess(share_down)
          wanted = share_down ? guess / Math.sqrt(share_down) : guess * 0.7
          return wanted.clamp(guess * STEP_UP, guess * 1.5) if too_large.infinite?
          return [wanted, too_large * 0.985].min unless fits

          wanted.between?(fits * 1.002, too_large * 0.998) ? wanted : Math.sqrt(fits * too_large)
        end
      end
    end
  end
end
