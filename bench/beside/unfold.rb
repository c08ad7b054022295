# frozen_string_literal: true

# Unfolding beside the published method in plain C++ (plain_unfold.cpp), down to the energy that ours comes to. Needs
# g++ and Debian's libsuitesparse-dev.
require_relative "../../config/environment"
require_relative "../surfaces"
require "open3"
require "tmpdir"

RUNS = 3

median = ->(seconds) { seconds.sort[seconds.size / 2] }
clock = -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }
surfaces = {
  "10 000 wavy" => Bench::Surfaces.wavy_sheet(70),
  "100 000 wavy" => Bench::Surfaces.wavy_sheet(223),
  "half ring of 20 000" => Bench::Surfaces.half_ring(200, 50)
}

Dir.mktmpdir do |folder|
  program = File.join(folder, "plain_unfold")
  system(
    "g++",
    "-O3",
    "-march=native",
    File.join(__dir__, "plain_unfold.cpp"),
    "-o",
    program,
    "-lcholmod",
    exception: true
  )
  surfaces.each do |name, obj|
    mesh = SheetTrace::Formats.read(obj, name: "sheet.obj").mesh
    piece = SheetTrace::Flatten::Cut.call(mesh, SheetTrace::Flatten::Seams.none(mesh)).piece(0)
    energy = nil
    unfold = -> { SheetTrace::Flatten::Unfold.call(piece) { |now| energy = now } }
    unfold.call
    input = File.join(folder, "sheet")
    File.binwrite(
      input,
      [piece.positions.shape[0], piece.triangles.shape[0]].pack("l2") + piece.positions.to_binary +
        Numo::Int32.cast(piece.triangles).to_binary + [energy].pack("d")
    )
    pairs =
      Array.new(RUNS) do
        GC.start
        from = clock.call
        unfold.call
        ours = clock.call - from
        plain, steps, reached = Open3.capture2(program, input)[0].split
        [ours, plain.to_f, steps.to_i, reached.to_f]
      end
    ours, plain, steps, reached = pairs.transpose.map(&median)
    puts format(
           "%<name>s: energy %<energy>.5f; ours %<ours>.3f s, C++ %<plain>.3f s in %<steps>d steps (%<reached>.5f), %<ratio>.2f times",
           name: name,
           energy: energy,
           ours: ours,
           plain: plain,
           steps: steps,
           reached: reached,
           ratio: ours / plain
         )
  end
end
