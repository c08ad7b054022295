# frozen_string_literal: true

require "cgi"
require "digest"

module SheetTrace
  module Formats
    module Svg
      # Writes a drawing as SVG: a group for each island with its name, lines that a print is cut along told apart,
      # words as outlines, so that no font is needed.
      # Source: W3C, "Scalable Vector Graphics (SVG) 1.1 (Second Edition)".
      class Writer
        HAIRLINE_PX = 0.1
        ROOT = {
          xmlns: "http://www.w3.org/2000/svg",
          "xmlns:xlink": "http://www.w3.org/1999/xlink",
          version: "1.1"
        }.freeze
        private_constant :HAIRLINE_PX, :ROOT

        # @param scene [Drawing::Scene]
        # @param px_per_mm [Float, nil] its size is said in mm where there is one, else in px
        # @param label [Label, nil]
        # @param hairlines [Boolean] lines that are cut along as thin as can be, as cutters want them
        # @return [String]
        def self.call(scene, px_per_mm: nil, label: nil, hairlines: false) =
          new(scene, px_per_mm, label, hairlines).send(:written)

        def initialize(scene, px_per_mm, label, hairlines)
          @scene = scene
          @px_per_mm = px_per_mm
          @label = label
          @hairlines = hairlines
        end
        private_class_method :new

        private

        def written
          width, height = [@scene.width_px, @scene.height_px].map { |px| number(px) }
          sizes =
            [@scene.width_px, @scene.height_px].map { |px| @px_per_mm ? "#{number(px / @px_per_mm)}mm" : number(px) }
          content = [
            tag("title", text(@label&.title)),
            tag("desc", text(@label)),
            (tag("rect", width: "100%", height: "100%", fill: color(@scene.background)) if @scene.background),
            *@scene.groups.each_with_index.map { |group, i| group(group, i) }
          ]
          root =
            tag("svg", lines(content), **ROOT, width: sizes[0], height: sizes[1], viewBox: "0 0 #{width} #{height}")
          %(<?xml version="1.0" encoding="UTF-8"?>\n#{root}\n)
        end

        def group(group, index)
          items = group.items.map { |item| send(item.class.name.split("::").last.downcase, item) }
          tag("g", lines([tag("title", text(group.name)), *items]), id: "#{group.kind}-#{index + 1}")
        end

        def strokes(item)
          tag(
            "path",
            class: ("cut" if item.cutting),
            d: path_of(item.segments.to_a),
            fill: "none",
            stroke: color(item.color),
            "stroke-width": number(item.cutting && @hairlines ? HAIRLINE_PX : item.line_px),
            "stroke-linecap": ("round" if item.dash_px.empty?),
            "stroke-dasharray": (item.dash_px.map { |px| number(px) }.join(" ") if item.dash_px.any?)
          )
        end

        def area(item)
          path = item.loops.map { |own| "M#{own.map { |place| numbers(place) }.join("L")}Z" }.join
          return hatched(item, path) if item.hatch_px

          tag("path", d: path, fill: color(item.color), "fill-opacity": number(item.opacity), "fill-rule": "evenodd")
        end

        def hatched(item, path)
          id = "within-#{Digest::SHA256.hexdigest(path)[0, 12]}"
          clip = tag("clipPath", tag("path", d: path, "clip-rule": "evenodd"), id: id)
          strokes =
            tag(
              "path",
              "clip-path": "url(##{id})",
              d: path_of(item.hatching),
              stroke: color(item.color),
              "stroke-opacity": number(item.opacity),
              "stroke-width": number(item.hatch_line_px)
            )
          lines([clip, strokes])
        end

        def words(item)
          halo = {
            stroke: (color(item.halo) if item.halo),
            "stroke-width": number(item.size_px * Drawing::Words::HALO),
            "stroke-linejoin": "round",
            "paint-order": "stroke"
          }
          tag(
            "path",
            tag("title", text(item.text)),
            d: item.outlines,
            fill: color(item.color),
            **(item.halo ? halo : {})
          )
        end

        def picture(item)
          sides = %i[x y width height].to_h { |side| [side, number(item[side])] }
          data = [Png::Writer.call(item.image)].pack("m0")
          tag("image", **sides, preserveAspectRatio: "none", "xlink:href": "data:image/png;base64,#{data}")
        end

        def clipped(item)
          @clipped = @clipped.to_i + 1
          tag("g", item.to_svg(@scene.width_px, @scene.height_px, "art-#{@clipped}"))
        end

        def path_of(segments) = segments.map { |x0, y0, x1, y1| "M#{numbers([x0, y0])}L#{numbers([x1, y1])}" }.join
        def lines(parts) = "\n#{parts.compact.join("\n")}\n"

        # @param content [String, nil] markup
        # @param attributes [Hash] those that are nil are left out
        def tag(name, content = nil, **attributes)
          said = attributes.compact.map { |attribute, value| %( #{attribute}="#{value}") }.join
          content ? "<#{name}#{said}>#{content}</#{name}>" : "<#{name}#{said}/>"
        end

        def color(color) = format("#%02x%02x%02x", *color.to_a.map { |share| (share * 255).round })
        def text(value) = CGI.escapeHTML(value.to_s)
        def numbers(place) = place.map { |value| number(value) }.join(" ")

        # To a ten thousandth of a px, without what says nothing.
        def number(value)
          rounded = value.to_f.round(4)
          rounded == rounded.to_i ? rounded.to_i.to_s : rounded.to_s
        end
      end
    end
  end
end
