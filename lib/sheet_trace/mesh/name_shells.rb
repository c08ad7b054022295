# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Names the shells of one part: the outer one has the part's name, one that follows it inside is its lining, and
    # others are told apart by where they lie.
    module NameShells
      WORDS = [%w[left right], %w[lower upper], %w[rear fore]].freeze
      # A shell inside another is its lining where it is at least so large beside it, in each direction.
      FOLLOWS = 0.5
      private_constant :WORDS, :FOLLOWS

      # @param part [String] name
      # @param boxes [Array<Array(Array, Array)>] least and most corner of each shell's box, the largest shell first
      # @return [Array<String>] names, no two alike
      def self.call(part, boxes)
        outer = boxes.each_index.map { |shell| outside(shell, boxes) }
        free = boxes.each_index.reject { |shell| outer[shell] }
        names = places(part, free, boxes)
        boxes
          .each_index
          .map { |shell| names[shell] || "#{names.fetch(outer[shell], part)} lining" }
          .then { |all| unique(all) }
      end

      # @return [Integer, nil] the shell that another one is the lining of
      def self.outside(shell, boxes)
        low, high = boxes[shell]
        boxes.each_index.find do |other|
          outer_low, outer_high = boxes[other]
          other != shell &&
            3.times.all? do |axis|
              size = outer_high[axis] - outer_low[axis]
              low[axis] >= outer_low[axis] && high[axis] <= outer_high[axis] &&
                high[axis] - low[axis] >= FOLLOWS * size && high[axis] - low[axis] < size
            end
        end
      end

      # Two are told apart by the axis that parts them most; more are numbered along it.
      def self.places(part, shells, boxes)
        return shells.to_h { |shell| [shell, part] } if shells.size == 1

        middles = shells.to_h { |shell| [shell, boxes[shell].transpose.map { |low, high| (low + high) / 2 }] }
        axis = (0..2).max_by { |candidate| middles.values.map { |middle| middle[candidate] }.minmax.reduce(:-).abs }
        order = shells.sort_by { |shell| [middles[shell][axis], shell] }
        return order.zip(WORDS[axis]).to_h { |shell, word| [shell, "#{part} #{word}"] } if shells.size == 2

        order.each_with_index.to_h { |shell, i| [shell, "#{part} #{i + 1}"] }
      end

      def self.unique(names)
        names.each_with_index.map { |name, i| names.index(name) == i ? name : "#{name} #{names[0..i].count(name)}" }
      end
      private_class_method :outside, :places, :unique
    end
  end
end
