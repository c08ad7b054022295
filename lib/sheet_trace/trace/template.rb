# frozen_string_literal: true

module SheetTrace
  module Trace
    # The wireframe template of a layout: its edges as lines at a set size, areas and marks as they are asked for.
    module Template
      extend Parameters

      LINES = %w[unbroken dashed dotted hidden].freeze

      number :line_px, 1.0..64.0, label: "line width", default: 1.0
      color :color, "of the lines", default: "#1f2a36"
      one_of :dash, LINES, "of the model's rims, and of what is not said otherwise", default: "unbroken"
      number :seam_px, 1.0..64.0, "width of lines where islands meet on the model", optional: true
      color :seam_color, optional: true
      one_of :seam_dash, LINES, optional: true
      number :inner_px, 1.0..64.0, "width of lines within islands", optional: true
      color :inner_color, optional: true
      one_of :inner_dash, LINES, optional: true
      one_of :edges, %w[all outline], "outline: the islands' borders only", default: "all"
      flag :diagonals, "false: not those that part flat four-sided faces of a model of triangles", default: true
      flag :hard, "px are of a colour or not, without shades between", default: false
      parameter :background,
                Parameters::Either.new(Parameters::OneOf.new(%w[none white checker]), Parameters::Color.new),
                default: "none"
      one_of :fill, Fills::KINDS.keys, "of the islands", default: "none"
      parameter :marks,
                Parameters::ListOf.new(Parameters::OneOf.new(Marks::KINDS.keys)),
                "what is written on it",
                default: []
      color :mark_color, "of marks; that of the lines if nil", optional: true
      number :bleed_px, 0.5..256.0, "of the bleed mark, outside islands, at the layout's own size", default: 4.0
      number :safe_px, 0.5..1024.0, "of the safe mark, within islands, at the layout's own size", default: 12.0

      # @param layout [Layout]
      # @param size [Layout::Sheet] of the template, which may differ from the layout's own
      # @param islands [Array<Integer>, nil] all if nil
      # @param facts [Facts] what marks tell
      # @param under [Vips::Image, nil] a picture on the ground, over the whole sheet
      # @param options [Hash] as declared above
      # @return [Drawing::Scene]
      # @raise [InputError] where: { line_px: }, { color: } and so on, or { island: }
      def self.call(layout, size:, islands: nil, facts: nil, under: nil, **options)
        chosen = validated(options)
        facts ||= Facts.of_layout(layout) if chosen[:marks].any? || chosen[:fill] != "none"
        subject = Subject.new(layout, size, islands, facts, chosen)
        Drawing::Scene.new(
          width_px: size.width_px,
          height_px: size.height_px,
          background: ground(chosen[:background]),
          groups: [*ground_groups(subject, under), *island_groups(subject), *Marks.call(subject)]
        )
      end

      def self.ground(name)
        { "none" => nil, "checker" => nil, "white" => Drawing::Color.parse("#ffffff") }.fetch(name) do
          Drawing::Color.parse(name)
        end
      end

      def self.ground_groups(subject, under)
        size = subject.size
        whole = { x: 0.0, y: 0.0, width: size.width_px.to_f, height: size.height_px.to_f }
        items = []
        items << Drawing::Picture.new(image: Checker.call(size), **whole) if subject.options[:background] == "checker"
        items << Drawing::Picture.new(image: under, **whole) if under
        items.empty? ? [] : [Drawing::Group.new(name: "ground", kind: "ground", items: items)]
      end

      def self.island_groups(subject)
        lines = Lines.call(subject)
        fills = Fills.call(subject)
        subject.islands.filter_map do |island|
          items = [*fills[island], *lines[island]]
          next if items.empty?

          name = subject.facts ? subject.name(island) : subject.map.island_names[island]
          Drawing::Group.new(name: name, kind: "island", items: items)
        end
      end
      private_class_method :ground, :ground_groups, :island_groups
    end
  end
end
