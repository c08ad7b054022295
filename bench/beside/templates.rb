# frozen_string_literal: true

# Templates beside the same lines drawn by plain Cairo and written by libpng in C (plain_template.c).
require_relative "../../config/environment"
require_relative "../surfaces"
require "open3"
require "tmpdir"

SIDES = [4096, 8192].freeze
RUNS = 5

median = ->(seconds) { seconds.sort[seconds.size / 2] }
clock = -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }
layout =
  SheetTrace::Job.start(
    SheetTrace::Formats.read(Bench::Surfaces.wavy_obj(158), name: "wavy.obj"),
    source_name: "wavy.obj"
  ).layout

Dir.mktmpdir do |folder|
  program = File.join(folder, "plain_template")
  libraries = `pkg-config --cflags --libs cairo libpng`.split
  system("gcc", "-O2", File.join(__dir__, "plain_template.c"), "-o", program, *libraries, exception: true)
  SIDES
    .product(["white", nil])
    .each do |side, background|
      size = SheetTrace::Layout::Sheet.new(width_px: side, height_px: side)
      template = -> { SheetTrace::Trace::Template.call(layout, size: size, background: background) }
      strokes = template.call.items.grep(SheetTrace::Drawing::Strokes)
      lines = File.join(folder, "lines")
      File.binwrite(
        lines,
        [side, background ? 1 : 0, strokes.size].pack("l3") +
          strokes
            .map do |own|
              [own.line_px, *own.color.to_a.first(3)].pack("d4") + [own.segments.shape[0]].pack("l") +
                own.segments.to_binary
            end
            .join
      )
      pairs =
        Array.new(RUNS) do
          GC.start
          from = clock.call
          bytes = SheetTrace::Formats::Drawings.call(template.call, "png")
          ours = clock.call - from
          plain = Open3.capture2(program, lines, File.join(folder, "plain.png"))[0].split.sum(&:to_f)
          File.binwrite(File.join(folder, "ours.png"), bytes)
          [ours, plain]
        end
      ours, plain = pairs.transpose.map(&median)
      differs =
        %w[ours plain]
          .map { |name| Vips::Image.new_from_file(File.join(folder, "#{name}.png")).flatten(background: 255) }
          .reduce(:-)
          .abs
          .max
      puts format(
             "%<side>d px, %<ground>s, %<lines>d lines: ours %<ours>.2f s, C %<plain>.2f s, %<ratio>.2f times; on white, px differ by %<differs>d at most",
             side: side,
             ground: background || "transparent",
             lines: strokes.sum { |own| own.segments.shape[0] },
             ours: ours,
             plain: plain,
             ratio: ours / plain,
             differs: differs
           )
    end
end
