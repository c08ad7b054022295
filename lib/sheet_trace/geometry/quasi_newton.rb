# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Brings a smooth function of many numbers down, by its value and gradient.
    # Source: Liu, Nocedal, "On the limited memory BFGS method for large scale optimization", Mathematical Programming
    #   45, 1989, algorithm 2.1; steps are shortened until the value falls as Armijo asks (Nocedal, Wright, "Numerical
    #   Optimization", 2006, algorithm 3.1).
    class QuasiNewton
      KEPT = 10
      FALL = 1e-4
      SHORTER = 0.4
      MOST_SHORTER = 6
      # Where the value has fallen by less in so many steps, it won't be brought down.
      LOOKED_BACK = 20
      LEAST_FALL = 0.75
      private_constant :KEPT, :FALL, :SHORTER, :MOST_SHORTER, :LOOKED_BACK, :LEAST_FALL

      # @param start [Numo::DFloat] n numbers
      # @param most_steps [Integer]; longest_step [Float] of any number in one step
      # @yieldparam place [Numo::DFloat] n numbers
      # @yieldreturn [Array(Float, Numo::DFloat, Boolean)] value, gradient, and whether that is good enough
      # @return [Array(Numo::DFloat, Boolean)] the place with the least value that was found; whether it is good enough
      def self.call(start, most_steps:, longest_step:, &function)
        new(start, longest_step, function).send(:run, most_steps)
      end

      def initialize(start, longest_step, function)
        @function = function
        @longest = longest_step
        @place = start
        @value, @gradient, @done = function.call(start)
        @kept = []
        @values = [@value]
      end
      private_class_method :new

      private

      def run(most_steps)
        most_steps.times do
          break if @done || stalled? || !step

          @values << @value
        end
        [@place, @done]
      end

      def stalled? = @values.size > LOOKED_BACK && @value > LEAST_FALL * @values[-LOOKED_BACK - 1]

      # @return [Boolean] whether a step down was found
      def step
        along = direction
        slope = along.dot(@gradient)
        if slope >= 0
          @kept.clear
          along = -@gradient
          slope = along.dot(@gradient)
        end
        reach = along.abs.max
        return false if reach.zero?

        length = [@longest / reach, 1.0].min
        MOST_SHORTER.times do
          return true if went?(along * length, slope * length)

          length *= SHORTER
        end
        false
      end

      def went?(move, slope)
        place = @place + move
        value, gradient, done = @function.call(place)
        return false if value > @value + (FALL * slope)

        keep(move, gradient - @gradient)
        @place = place
        @value = value
        @gradient = gradient
        @done = done
        true
      end

      def keep(move, change)
        bent = move.dot(change)
        return unless bent.positive?

        @kept << [move, change, bent]
        @kept.shift if @kept.size > KEPT
      end

      # The two-loop recursion.
      def direction
        rest = -@gradient
        shares =
          @kept.reverse.map { |move, change, bent| (move.dot(rest) / bent).tap { |share| rest -= change * share } }
        rest *= scale
        @kept
          .zip(shares.reverse)
          .reduce(rest) { |way, ((move, change, bent), share)| way + (move * (share - (change.dot(way) / bent))) }
      end

      # What the last step says about the function's bend.
      def scale
        _move, change, bent = @kept.last
        change ? bent / change.dot(change) : 1.0
      end
    end
  end
end
