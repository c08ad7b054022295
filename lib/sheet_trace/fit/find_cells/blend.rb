# frozen_string_literal: true

module SheetTrace
  module Fit
    module FindCells
      # Gives the px of smoothed edges to the side that they are more like: thin regions whose colour is a mixture of
      # those of two regions beside them.
      module Blend
        MIXED = 3.0 # how far a colour may lie off the line between the two, 0 to 255
        MOST = 50_000 # thin regions; a picture with more has no edges to speak of
        private_constant :MIXED, :MOST

        # @param labels [Numo::Int32] h x w, 0 where no region is
        # @param pixels [Numo::Int32] h * w x 4
        # @return [Numo::Int32] h x w
        def self.call(labels, pixels)
          thin = thin(labels)
          return labels if thin.empty? || thin.size > MOST

          beside = beside(labels, thin)
          colors = colors(labels, pixels, beside.flat_map { |number, others| [number, *others] }.uniq)
          table = Numo::Int32.new(labels.max + 1).seq
          beside.each { |number, others| best(number, others, colors)&.then { |region| table[number] = region } }
          followed(table)[labels]
        end

        # Of the two colours that are farthest apart and mix to this one, the nearer.
        def self.best(number, others, colors)
          found =
            others
              .to_a
              .combination(2)
              .filter_map do |first, other|
                share = mixture(colors[number], colors[first], colors[other])
                [colors[first].zip(colors[other]).sum { |a, b| (a - b)**2 }, share < 0.5 ? first : other] if share
              end
          found.max_by(&:first)&.last
        end

        # @return [Array<Integer>] regions without a px that has its own kind on all four sides
        def self.thin(labels)
          return labels.flatten.to_a.uniq - [0] if labels.shape.min < 3

          middle = labels[1...-1, 1...-1]
          inside =
            [labels[0...-2, 1...-1], labels[2..-1, 1...-1], labels[1...-1, 0...-2], labels[1...-1, 2..-1]].map do |side|
                side.eq(middle)
              end
              .reduce(:&)
          thick = Numo::Bit.zeros(labels.max + 1)
          thick[middle[inside.where]] = 1 if inside.any?
          thick[0] = 1
          used = Numo::Bit.zeros(labels.max + 1)
          used[labels.flatten] = 1
          (used & ~thick).where.to_a
        end

        # @return [Hash{Integer => Array<Integer>}] thin region => regions beside it
        def self.beside(labels, thin)
          wanted = thin.to_h { |number| [number, []] }
          [
            [labels[true, 0...-1], labels[true, 1..-1]],
            [labels[0...-1, true], labels[1..-1, true]]
          ].each do |first, second|
            met = (first.ne(second) & first.gt(0) & second.gt(0)).where
            next if met.empty?

            first[met]
              .to_a
              .zip(second[met].to_a)
              .uniq
              .each do |a, b|
                wanted[a] |= [b] if wanted.key?(a)
                wanted[b] |= [a] if wanted.key?(b)
              end
          end
          wanted
        end

        def self.colors(labels, pixels, numbers)
          rows = Numo::Int64.zeros(labels.max + 1)
          rows[labels.flatten] = Numo::Int64.new(labels.size).seq
          numbers.to_h { |number| [number, pixels[rows[number], 0..2].to_a] }
        end

        # @return [Float, nil] how much of the second is in it; nil where it is no mixture
        def self.mixture(color, first, other)
          way = other.zip(first).map { |a, b| (a - b).to_f }
          length = way.sum { |part| part * part }
          return if length.zero?

          share = color.zip(first).map { |a, b| a - b }.zip(way).sum { |a, b| a * b } / length
          off = color.each_index.map { |k| (color[k] - first[k] - (share * way[k])).abs }.max
          share if share.between?(0, 1) && off <= MIXED
        end

        # Thin regions beside each other may point to one another: each ends at one that points to itself, or at the
        # first met again.
        def self.followed(table)
          roots =
            table.to_a.each_index.map do |number|
              seen = {}
              number = table[number] until table[number] == number || seen[number].tap { seen[number] = true }
              number
            end
          Numo::Int32.cast(roots)
        end
        private_class_method :best, :thin, :beside, :colors, :mixture, :followed
      end
    end
  end
end
