# frozen_string_literal: true

require "test_helper"
require "ttfunk"

describe SheetTrace::Artwork::Contents::Lettering do
  lettering = SheetTrace::Artwork::Contents::Lettering
  fonts = SheetTrace::Artwork::Font

  let(:job) { operate(Models.job(Models.panel), "set_bleed", bleed_px: 0).job }

  define_method(:lettered) do |text, width_mm: 40, **more|
    operate(
      job,
      "add_layer",
      id: "l",
      content: {
        kind: "lettering",
        text: text,
        **more
      },
      place: {
        kind: "island",
        island: 0,
        width_mm: width_mm
      }
    ).job
  end

  define_method(:composed) { |state| SheetTrace::Artwork::Compose.call(state.artwork, state.canvas(pictures: nil)) }

  # Texels one below the other: red, green and blue; alpha.
  define_method(:colors_and_alpha) do |image|
    pixels = SheetTrace::Artwork::Picture.pixels(image).reshape(image.width * image.height, 4)
    [pixels[true, 0..2], pixels[true, 3]]
  end

  # The panel is 80 x 120 mm at 0.4 x 0.6 of 1024 px: 5.12 px/mm. Its capitals: OS/2 table, sCapHeight (OpenType 1.9).
  it "sets capitals as high as the font's own table says, in every font" do
    fonts::FILES.each_key do |font|
      state = lettered("H", font: font, width_mm: 10)
      layer = state.artwork.layer("l")
      facts = layer.content.facts(state, layer.place)
      alpha = composed(state).extract_band(3)
      _, _, _, height = alpha.find_trim(background: 0, threshold: 127)
      table = TTFunk::File.open(fonts.named(font).path)
      em_mm = 10 / layer.content.width_em
      own = table.os2.cap_height * em_mm / table.header.units_per_em

      assert_in_delta own, facts[:cap_mm], 1e-9
      # Letters of a script font swing past their capitals' height.
      assert_in_delta own * 5.12, height, font == "Pacifico" ? 14 : 2, font
    end
  end

  it "comes out in its colour alone, whatever the turn" do
    state = lettered("Quillhaven\nregatta", color: "#b8431c")
    state = operate(state, "change_layer", id: "l", place: { turn_deg: 23, x_mm: 1.37 }).job
    colors, alpha = colors_and_alpha(composed(state))

    assert_equal [[184, 67, 28]], colors[alpha.gt(8).where, true].to_a.uniq
    assert_operator alpha.eq(255).count, :>, 500
  end

  it "keeps the size of its letters when the text is another, also in an edition" do
    state = lettered("Pine")
    cap = ->(own) { own.artwork.worn.first.then { |layer| layer.content.facts(own, layer.place)[:cap_mm] } }
    longer = operate(state, "change_layer", id: "l", content: { text: "Pine and heather" }).job
    edition = operate(state, "add_edition", name: "Heather").job
    edition = operate(edition, "replace_in_edition", id: "l", content: { kind: "lettering", text: "Heather" }).job

    assert_in_delta cap.call(state), cap.call(longer), 1e-9
    assert_in_delta cap.call(state), cap.call(edition), 1e-9
    assert_in_delta 40, edition.artwork.layer("l").place.width_mm, 1e-9
    assert_equal "Heather", edition.artwork.worn.first.content.text
    assert_equal "Pine and heather", longer.artwork.layer("l").name
  end

  # The letter I of a sans-serif is one stem: as wide as its outline's box in the font's glyf table.
  it "tells the thinnest stroke in texels" do
    ["Oswald", "Oswald Bold"].each do |font|
      state = lettered("I", font: font, width_mm: 6)
      layer = state.artwork.layer("l")
      table = TTFunk::File.open(fonts.named(font).path)
      glyph = table.glyph_outlines.for(table.cmap.unicode.first["I".ord])
      stem = (glyph.x_max - glyph.x_min).fdiv(table.header.units_per_em)
      texels = layer.content.facts(state, layer.place)[:stroke_texels]

      assert_in_delta stem * 6 / layer.content.width_em * 5.12, texels, 3
    end
  end

  it "names the characters that a font lacks" do
    assert_refused(SheetTrace::InvalidOperationError, message: /Lora has no 漢 字/) { lettered("漢字 7") }
  end

  it "draws an outline round the letters, and none into them" do
    plain, outlined =
      [0.0, 0.1].map do |outline|
        composed(lettered("OO", outline: outline, outline_color: "#ff0000", color: "#0000ff"))
      end
    colors, alpha = colors_and_alpha(outlined)

    assert_operator (alpha.gt(250) & colors[true, 0].gt(250) & colors[true, 2].lt(5)).count, :>, 300
    colors, alpha = colors_and_alpha(plain)

    assert_equal 0, (colors[true, 0].gt(5) & alpha.gt(8)).count
  end

  it "aligns lines, spaces letters and lines" do
    size = ->(**more) do
      lettering.new(text: "wide line\nI", **more).then { |own| [own.width_em, own.width_em / own.aspect] }
    end
    plain = size.call

    assert_operator size.call(tracking: 0.2)[0], :>, plain[0] + 1
    one, *several =
      [["I"], ["I\nI", 0.7], ["I\nI", 1.0], ["I\nI", 3.0]].map do |text, leading|
        size.call(text: text, leading: leading)[1]
      end

    several.zip([0.7, 1.0, 3.0]) { |height, leading| assert_in_delta one + leading, height, 0.03 }
    assert_in_delta size.call(align: "left")[0], plain[0], 0.02
  end

  # The font's own: ascender, descender and gap of its hhea table.
  it "tells the distance of its lines, the font's own where none is said" do
    heights =
      [{ font: "Pacifico" }, { font: "Lora" }, { font: "Lora", leading: 2.0 }].map do |values|
        state = lettered("a\nb", **values)
        state.artwork.layer("l").then { |layer| layer.content.facts(state, layer.place)[:line_height] }
      end

    line =
      TTFunk::File.open(fonts.named("Pacifico").path).then { |font| [font.horizontal_header, font.header.units_per_em] }

    assert_in_delta (line[0].ascent - line[0].descent + line[0].line_gap).fdiv(line[1]), heights[0], 1e-9
    refute_in_delta heights[0], heights[1], 0.1
    assert_in_delta 2, heights[2], 1e-9
  end
end
