# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Job::Deliver do
  # A panel that covers the whole sheet of 32 px, with a picture of a certain alpha over it.
  delivered =
    lambda do |alpha, format|
      pixels = Numo::UInt8.new(32, 32, 4).fill(120)
      pixels[true, true, 3] = alpha
      png = Vips::Image.new_from_memory(pixels.to_binary, 32, 32, 4, :uchar).copy(interpretation: :srgb).pngsave_buffer
      file = SheetTrace::Artwork::PictureFile.of_bytes(png, name: "a.png")
      job = Models.job(Models.panel(uvs: [[0, 0], [1, 0], [1, 1], [0, 1]]), width_px: 32, height_px: 32)
      job = job.with(artwork: SheetTrace::Artwork::Stack.new(layers: [Models.skin("a", file)]))
      SheetTrace::Job::Deliver.call(job, pictures: ->(_digest) { png }, base_name: "a", format: format)
    end
  holes = Numo::UInt8.new(32, 32).fill(255).tap { |alpha| alpha[8...16, 8...16] = 0 }
  soft = holes.copy.tap { |alpha| alpha[0, 0] = 128 }
  kinds = {
    Numo::UInt8.new(32, 32).fill(255) => nil,
    Numo::UInt8.zeros(32, 32) => nil,
    holes => "MASK",
    soft => "BLEND"
  }

  # glTF 2.0, 3.9.4 Alpha coverage.
  it "says in glTF whether the alpha leaves out or blends" do
    kinds.each do |alpha, mode|
      json = JSON.parse(delivered.call(alpha, "glb")["a.glb"].byteslice(20..)[/\A\{.*?\}(?=\s*\x00*.{4}BIN)/m] || "{}")
      mode ? assert_equal(mode, json["materials"][0]["alphaMode"]) : assert_nil(json["materials"][0]["alphaMode"])
    end
  end

  # MTL material format, map_d: the picture's scalar scales what the material dissolves.
  it "says in MTL and COLLADA that the alpha counts, where some of it is seen" do
    kinds.each do |alpha, mode|
      assert_equal !mode.nil?, delivered.call(alpha, "obj")["a.mtl"].include?("map_d a.png")
      assert_equal !mode.nil?, delivered.call(alpha, "dae")["a.dae"].include?("<transparent opaque=\"A_ONE\">")
    end
  end
end
