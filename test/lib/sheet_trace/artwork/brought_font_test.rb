# frozen_string_literal: true

require "test_helper"

describe "fonts that are brought in" do
  bytes = File.binread(File.join(SheetTrace::Drawing::FONTS, "pacifico-regular.ttf"))
  file = SheetTrace::Artwork::FontFile.of_bytes(bytes, name: "harbour.ttf")
  brought = ->(name) { [file.digest, "harbour.ttf"].include?(name) ? file : Models.picture(name) }
  define_method(:done) do |job, name, **parameters|
    SheetTrace::Operations.run(SheetTrace::Operations.from_h(name, parameters), job, pictures: brought)
  end
  define_method(:lettered) do |font|
    job = done(Models.job(Models.panel), "add_font", file: "harbour.ttf").job
    words = { kind: "lettering", text: "Quay 7", font: font }
    done(job, "add_layer", id: "w", content: words, place: { kind: "island", island: 0, width_mm: 50 }).job
  end
  define_method(:composed) { |job| SheetTrace::Artwork::Compose.pixels(job.artwork, job.canvas(pictures: nil)) }

  # The same file ships along: what it sets must be the same, to the byte.
  it "set lettering as those do that ship along, by digest or by name, and after the job was kept" do
    shipped = lettered("Pacifico")
    [file.digest, "Pacifico"].each do |name|
      job = lettered(name)

      assert_equal composed(shipped), composed(job)
      assert_equal shipped.artwork.layer("w").content.facts(shipped, shipped.artwork.layer("w").place),
                   job.artwork.layer("w").content.facts(job, job.artwork.layer("w").place)
    end
    own = lettered(file.digest)

    assert_equal '"Quay 7" in Pacifico', own.artwork.layer("w").content.to_words
    kept = SheetTrace::Job::Snapshot.dump(own)
    document = JSON.parse(JSON.generate(kept.document), symbolize_names: true)
    again = SheetTrace::Job::Snapshot.load(document, kept.blobs.method(:fetch)).job

    assert_equal composed(own), composed(again)
    assert_equal [file.digest], again.fonts.map(&:name)
  end

  it "are named where they are not there, and where a character is not in them" do
    assert_refused(SheetTrace::InvalidOperationError, message: /give one of Lora, .*or bring the font in first/) do
      done(Models.job(Models.panel), "add_layer", content: { kind: "lettering", text: "A", font: "Harbour" })
    end
    assert_refused(SheetTrace::InvalidOperationError, message: /Pacifico has no 漆/) do
      job = lettered(file.digest)
      done(job, "change_layer", id: "w", content: { text: "漆" })
    end
    assert_equal "Pacifico is there already", done(lettered(file.digest), "add_font", file: file.digest).sentence
  end

  it "are read only where they are whole fonts, and say what is wrong" do
    {
      "hello" => /no TrueType or OpenType font/,
      bytes[0, 2000] => /cut off or damaged|without characters/,
      "OTTO#{"\0" * 400}" => /cut off or damaged|without characters/,
      "" => /no TrueType/
    }.each do |own, message|
      assert_refused(SheetTrace::FormatError, { file: "bad.ttf" }, message: message) do
        SheetTrace::Artwork::FontFile.of_bytes(own, name: "bad.ttf")
      end
    end
    assert_refused(SheetTrace::LimitError) do
      SheetTrace::Artwork::FontFile.of_bytes("\0\1\0\0".b * 3_000_000, name: "big.ttf")
    end
  end
end
