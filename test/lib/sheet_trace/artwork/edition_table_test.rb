# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Artwork::EditionTable do
  table = SheetTrace::Artwork::EditionTable

  # A label, a name and a band on one panel.
  let(:job) do
    panel = { kind: "island", island: 0, width_mm: 30 }
    [
      ["Band", { kind: "fill", color: "#2f5a45" }],
      ["Label", { kind: "picture", picture: "100x50" }],
      ["Name", { kind: "lettering", text: "Pine", font: "Oswald" }]
    ].reduce(Models.job(Models.panel)) do |state, (name, content)|
      operate(state, "add_layer", id: name.downcase, name: name, content: content, place: panel).job
    end
  end

  define_method(:fill) { |text| operate(job, "fill_editions", table: text).job }
  define_method(:worn) { |state, edition, id| state.artwork.worn(edition).find { |layer| layer.id == id } }

  it "adds an edition for each row, and fills those that there are" do
    state = fill(<<~CSV)
      edition,Name text,Label picture,Band colour,Label shown
      First edition,,,,no
      Heather,"Heather, and ""more""",80x80,#AA3355,yes
      Plum,Plum,,,
    CSV

    assert_equal ["First edition", "Heather", "Plum"], state.artwork.editions.map(&:name)
    assert_equal [false, true, true], (0..2).map { |edition| worn(state, edition, "label").look.visible }
    assert_equal ["Pine", 'Heather, and "more"', "Plum"],
                 (0..2).map { |edition| worn(state, edition, "name").content.text }
    assert_equal %w[100x50 80x80 100x50], (0..2).map { |edition| worn(state, edition, "label").content.picture.digest }
    assert_equal %w[#2f5a45 #aa3355], [0, 1].map { |edition| worn(state, edition, "band").content.color.downcase }
  end

  it "follows the stack in what is not replaced" do
    state = operate(fill("edition,Name text\nPlum,Plum"), "change_layer", id: "name", content: { font: "Pacifico" }).job

    assert_equal %w[Plum Pacifico], worn(state, 1, "name").content.then { |own| [own.text, own.font] }
  end

  it "gives what it was filled from, and takes it again, also from a spreadsheet" do
    text = "edition,Name text,Name shown,Label picture\nPine,,no,\nHeather,Heather,,80x80.png\n"
    state = fill(text)
    csv = table.to_csv(state.artwork)

    assert_equal [
                   ["edition", "Name text", "Name shown", "Label picture"],
                   ["First edition", nil, nil, nil],
                   ["Pine", nil, "no", nil],
                   ["Heather", "Heather", nil, "80x80.png"]
                 ],
                 CSV.parse(csv)
    again = operate(state, "fill_editions", table: csv.tr(",", "\t")).job

    assert_equal state.artwork, again.artwork
    emptied = operate(state, "fill_editions", table: "edition,Name text\nHeather,").job

    refute emptied.artwork.editions.last.replaced.key?("name")
  end

  it "keeps them through a document" do
    state = fill("edition,Name text,Label picture,Band colour,Label shown\nPlum,Plum,80x80,#aa3355,no")
    again =
      SheetTrace::Artwork::Stack.from_plain(JSON.parse(JSON.generate(state.artwork.to_plain), symbolize_names: true))

    assert_equal state.artwork, again
  end

  {
    "an unknown column" => [
      "edition,Ribbon colour\nA,#ffffff",
      /nothing called "Ribbon colour".*there are "Name text"/
    ],
    "a missing picture" => [
      "edition,Label picture\nA,\nB,lost.png",
      /row 2, column "Label picture": there is no picture "lost.png"/
    ],
    "a colour that is none" => ["edition,Band colour\nA,greenish", /row 1, column "Band colour": colour is "greenish"/],
    "a glyph that is lacking" => ["edition,Name text\nA,漢", /row 1, column "Name text": Oswald has no 漢/],
    "neither yes nor no" => ["edition,Label shown\nA,perhaps", /row 1, column "Label shown": "perhaps" is neither/],
    "doubled names" => ["edition,Name text\nA,x\nA,y", /two rows are called "A"/],
    "doubled columns" => ["edition,Name text,Name text\nA,x,y", /two columns are called "Name text"/],
    "a name of nothing" => ["edition,Name text\n,x", /row 1: the edition's name is ""/],
    "broken quotes" => ["edition,Name text\nA,\"x", /can't be read/],
    "too many rows" => ["edition\n#{(1..201).map { |i| "e#{i}" }.join("\n")}", /201 rows; at most 200/]
  }.each do |what, (text, message)|
    it("refuses #{what}") { assert_refused(SheetTrace::InvalidOperationError, message: message) { fill(text) } }
  end
end
