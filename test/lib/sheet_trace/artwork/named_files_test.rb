# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Artwork::NamedFiles do
  named = SheetTrace::Artwork::NamedFiles.method(:call)

  it "gives files to those whose names they bear, whatever the order, case and signs between words" do
    titles = %w[caddy_front-PINE-v2 caddy_front-plum-v2 caddy_front-dark.plum-v2]
    names = ["Pine", "Plum", "Dark plum"]

    titles.permutation.each do |order|
      wanted = order.map { |title| names[titles.index(title)] }

      assert_equal wanted, named.call(order, names.shuffle(random: Random.new(4)))
    end
  end

  it "names what is left by what files have not in common" do
    assert_equal ["Heather", "Sea green"], named.call(%w[label-heather-front label-sea-green-front], ["First edition"])
    assert_equal %w[Pine B2], named.call(%w[team-pine team-B2], ["Pine"])
    assert_equal ["label"], named.call(["label"], ["Pine"])
    assert_equal %w[a b], named.call(%w[a b], []).map(&:downcase)
  end

  it "does not take part of a word for a name" do
    assert_equal %w[Pineapple Oak], named.call(%w[x-pineapple x-oak], %w[Pine Oak])
  end
end

describe SheetTrace::Operations::FillColumn do
  it "gives each edition its picture, and adds editions for the others" do
    job =
      operate(
        Models.job(Models.panel),
        "add_layer",
        id: "l",
        name: "Label",
        content: {
          kind: "picture",
          picture: "8x8"
        }
      ).job
    job = operate(job, "rename_edition", edition: 0, name: "90x80").job
    change = operate(job, "fill_column", id: "l", pictures: %w[100x50 90x80])

    assert_equal %w[90x80 100x50], change.job.artwork.editions.map(&:name)
    assert_equal(%w[90x80.png 100x50.png], [0, 1].map { |i| change.job.artwork.worn(i).first.content.picture.name })
    assert_equal "Label: 2 pictures for 100x50, 90x80, 1 edition added", change.sentence
    assert_refused(SheetTrace::InvalidOperationError, message: /two files are for 90x80/) do
      operate(job, "fill_column", id: "l", pictures: %w[90x80 90x80])
    end
    words = operate(job, "add_layer", id: "w", name: "Name", content: { kind: "lettering", text: "A" }).job

    assert_refused(SheetTrace::InvalidOperationError, message: /Name shows no picture/) do
      operate(words, "fill_column", id: "w", pictures: ["8x8"])
    end
  end
end
