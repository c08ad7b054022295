# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Artwork::Swatch do
  swatch = SheetTrace::Artwork::Swatch

  it "reads a colour and a name a line, and writes them so again" do
    text = "\uFEFF// regatta\n#2F5A45 pine\n\n  #d2552a\tglow of lanterns \r\n#ffffff"
    read = swatch.read(text)

    assert_equal [%w[#2f5a45 pine], ["#d2552a", "glow of lanterns"], ["#ffffff", ""]],
                 read.map { |own| [own.color, own.name] }
    assert_equal "#2f5a45 pine\n#d2552a glow of lanterns\n#ffffff\n", swatch.write(read)
    assert_equal read, swatch.read(swatch.write(read))
  end

  it "names the line that is none, and refuses a thousand" do
    assert_refused(SheetTrace::InputError, { line: 2 }, message: /line 2 of the palette is "#12345 short"/) do
      swatch.read("#123456 a\n#12345 short")
    end
    assert_refused(SheetTrace::InputError, message: /401 colours/) { swatch.read("#123456\n" * 401) }
  end

  it "lists colours in use, once each, the upper layers first" do
    job = Models.job(Models.panel)
    job = operate(job, "add_layer", content: { kind: "fill", color: "#AA3355" }).job
    job = operate(job, "add_layer", content: { kind: "gradient", color: "#000000", to: "#aa3355" }).job

    assert_equal %w[#000000 #aa3355], swatch.in_use(job)
  end
end
