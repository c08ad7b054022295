# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Which of some files is whose, by what they are called.
    module NamedFiles
      # @param titles [Array<String>] of files, without their endings
      # @param names [Array<String>] of those that get one
      # @return [Array<String>] for each file a name: one of names that it bears in its title, the longest where it
      #   bears several; else what its title has that the others have not
      def self.call(titles, names)
        own = without_common(titles)
        titles
          .zip(own)
          .map do |title, rest|
            borne = names.select { |name| words(title).each_cons(words(name).size).include?(words(name)) }
            borne.max_by(&:size) || rest
          end
      end

      def self.words(text) = text.downcase.scan(/[[:alnum:]]+/)

      # The words that are not first, or last, in all of them.
      def self.without_common(titles)
        parts = titles.map { |title| title.scan(/[[:alnum:]]+/) }
        return titles if titles.size < 2

        first = common(parts)
        last = common(parts.map { |own| own.drop(first).reverse })
        parts
          .zip(titles)
          .map do |own, title|
            own[first...(own.size - last)].join(" ").then { |rest| rest.empty? ? title : capital(rest) }
          end
      end

      # How many words all begin with.
      def self.common(parts)
        lowered = parts.map { |own| own.map(&:downcase) }
        (0...lowered.map(&:size).min).take_while { |i| lowered.map { |own| own[i] }.uniq.one? }.size
      end

      def self.capital(text) = text[0].upcase + text[1..]
      private_class_method :words, :without_common, :common, :capital
    end
  end
end
