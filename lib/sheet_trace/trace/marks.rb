# frozen_string_literal: true

module SheetTrace
  module Trace
    # What is written on a template beside its lines. A new mark is a file in marks/, its test, and a line here.
    module Marks
      # In the order in which they are laid over each other.
      KINDS = {
        "twins" => :Twins,
        "bleed" => :Borders,
        "safe" => :Borders,
        "centres" => :Centres,
        "folds" => :Folds,
        "neighbours" => :Neighbours,
        "rulers" => :Rulers,
        "ticks" => :Ticks,
        "names" => :Names,
        "letters" => :Names,
        "sides" => :Names,
        "arrows" => :Names,
        "title" => :Title
      }.freeze

      # @param subject [Subject]
      # @return [Array<Drawing::Group>]
      def self.call(subject)
        asked = KINDS.slice(*KINDS.keys & subject.options[:marks])
        asked
          .uniq(&:last)
          .filter_map do |name, mark|
            items = const_get(mark).call(subject)
            Drawing::Group.new(name: name, kind: "mark", items: items) if items.any?
          end
      end

      # @param subject [Subject]
      # @return [Drawing::Color]
      def self.color(subject)
        own = subject.options[:mark_color]
        own ? Drawing::Color.parse(own) : subject.color
      end

      # @param subject [Subject]
      # @return [Hash] colours of what is written: over a ground the letters stand on white
      def self.written(subject)
        white = Drawing::Color.parse("#ffffff") unless subject.options[:background] == "none"
        { color: color(subject), halo: white }
      end

      # @return [Float] px of the smallest letters that are written
      def self.least_px(subject) = subject.options[:hard] ? 7.0 : 6.0
    end
  end
end
