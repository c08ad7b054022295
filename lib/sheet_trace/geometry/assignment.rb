# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Pairs rows with columns so that the costs of all pairs add up to the least.
    # Source: Kuhn, "The Hungarian method for the assignment problem", Naval Research Logistics Quarterly 2, 1955,
    #   by shortest augmenting
    #   paths as in Jonker, Volgenant, "A shortest augmenting path algorithm", Computing 38, 1987. O(rows^2 columns).
    module Assignment
      # @param costs [Array<Array<Float>>] r x c
      # @return [Hash{Integer => Integer}] row => column, as many pairs as the lesser of r and c
      def self.call(costs)
        return {} if costs.empty? || costs.first.empty?
        return call(costs.transpose).invert if costs.size > costs.first.size

        rows = Array.new(costs.first.size) # of each column
        row_prices = Array.new(costs.size, 0.0)
        prices = Array.new(costs.first.size, 0.0)
        costs.each_index { |row| augment(costs, row, rows, row_prices, prices) }
        rows.each_with_index.filter_map { |row, column| [row, column] if row }.to_h
      end

      # Finds the cheapest way from a row to a column that is free, over pairs that are made, and changes pairs along
      # it.
      def self.augment(costs, start, rows, row_prices, prices)
        count = prices.size
        least = Array.new(count, Float::INFINITY)
        from = Array.new(count)
        done = Array.new(count, false)
        row = start
        column = nil
        loop do
          step(costs[row], row_prices[row], prices, column, least, from, done)
          nearest = (0...count).reject { |j| done[j] }.min_by { |j| least[j] }
          pay(least[nearest], start, rows, row_prices, prices, least, done)
          done[nearest] = true
          column = nearest
          row = rows[column]
          break unless row
        end
        while column
          before = from[column]
          rows[column] = before ? rows[before] : start
          column = before
        end
      end

      def self.step(costs, row_price, prices, column, least, from, done)
        costs.each_index do |j|
          next if done[j]

          cost = costs[j] - row_price - prices[j]
          next unless cost < least[j]

          least[j] = cost
          from[j] = column
        end
      end

      def self.pay(delta, start, rows, row_prices, prices, least, done)
        row_prices[start] += delta
        least.each_index do |j|
          if done[j]
            row_prices[rows[j]] += delta
            prices[j] -= delta
          else
            least[j] -= delta
          end
        end
      end
      private_class_method :augment, :step, :pay
    end
  end
end
