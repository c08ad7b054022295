# frozen_string_literal: true

require_relative "browser_test_case"
require_relative "keyboard"
require_relative "accessible"

# Every page of every stage, at the sizes of a laptop at 150 % and of the drawing board.
describe "the bench" do
  include BrowserTestCase
  include Keyboard
  include Accessible

  sizes = [[853, 533], [1280, 800]]
  # Texts cut off at their box or at the window, controls that lie under something else, and how much higher the
  # inspector's content is than what is seen of it.
  measures = <<~JS
    (() => {
      const shown = (element) => {
        const { width, height } = element.getBoundingClientRect();
        return width > 1 && height > 1 && element.checkVisibility({ visibilityProperty: true });
      };
      const words = (element) => [...element.childNodes].some((node) => node.nodeType === 3 && node.data.trim());
      const told = (element) => (element.getAttribute("aria-label") || element.value || element.textContent).trim();
      const scrolls = ".inspector, .strip, table, [role=listbox]";
      const all = [...document.querySelectorAll(".editor *")].filter((element) => shown(element) && !element.closest("svg"));
      const cut = all.filter((element) => {
        if (element.closest(".visually-hidden, .visually-hidden-focusable, .text-truncate")) return false;
        const text = element.matches("input:not([type=range], [type=checkbox], [type=radio], [type=file], [type=color])");
        if (!text && !words(element)) return false;
        const clips = text || ["hidden", "clip"].includes(getComputedStyle(element).overflowX);
        const beyond = element.getBoundingClientRect().right > innerWidth + 1 && !element.closest(".strip");
        const panel = element.closest(".inspector");
        const outside = panel && element.getBoundingClientRect().right > panel.getBoundingClientRect().right + 1;
        return (clips && element.scrollWidth > element.clientWidth + 1) || beyond || outside;
      });
      const covered = all.filter((element) => {
        if (!element.matches("button, a[href], select, label.btn") || element.closest(scrolls)) return false;
        const { left, top, width, height } = element.getBoundingClientRect();
        const there = document.elementFromPoint(left + width / 2, top + height / 2);
        return there && there !== element && !element.contains(there) && !there.contains(element);
      });
      const low = all.filter((element) => {
        if (!element.matches("button, select, label.btn, summary, [role=tab]") || element.closest("p, .alert")) return false;
        const { width, height } = element.getBoundingClientRect();
        return height < 24 || width < 22;
      });
      const inspector = document.querySelector(".inspector");
      return {
        cut: cut.map(told), covered: covered.map(told), low: low.map(told),
        height: inspector.scrollHeight / inspector.clientHeight,
      };
    })()
  JS

  # The lantern shade, with an island picked; or the heron with its template laid under and cells found.
  before { open_shade unless name.include?("with a picture") }

  define_method(:open_shade) do
    bring_in_shade(stage: "model")
    find(".island-card", text: "shade Left").click
  end

  define_method(:open_heron) do
    bring_in({ "heron.obj" => Demo::Heron.obj }, stage: "fit")
    choose("Bring in a picture", file("heron-template.png", Demo::Heron.pictures.values.first))

    assert_done(/laid under the islands/)
    tab "Cells"
    click_button "Find cells"

    assert_done(/48 cells/)
  end

  define_method(:resize) do |width, height|
    browser.execute_cdp(
      "Emulation.setDeviceMetricsOverride",
      width: width,
      height: height,
      deviceScaleFactor: 0.5,
      mobile: false
    )
  end

  # Yields the name of each page, as it opens first with an island picked.
  def each_page(stages = ["Model", "Cut", "Lay out", "Fit", "Trace", "Art", "Deliver"])
    stages.each do |name|
      stage name
      find(".inspector h2")
      pages = all(".inspector [role=tab]", wait: 0).size
      # By their order: what the preflight's tab is called tells what it has found by then.
      pages.times do |i|
        all(".inspector [role=tab]", count: pages)[i].click
        yield "#{name}, page #{i + 1}"
      end
      yield name if pages.zero?
    end
  end

  # @return [Array<String>] what is wrong with the page at the size that it has
  define_method(:faults_of) do |name, width|
    found =
      page.evaluate_script(
        "new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done(#{measures.strip}))))"
      )
    high = width == sizes[1][0] && found["height"] > 1.25
    [
      *%w[cut covered low].filter_map do |kind|
        "#{name} at #{width}: #{kind}: #{found[kind].first(4).join(", ")}" if found[kind].any?
      end,
      *("#{name}: #{found["height"].round(2)} times as high as seen" if high)
    ]
  end

  # Yields at each size its width.
  define_method(:at_each_size) do |&block|
    sizes.flat_map do |width, height|
      resize(width, height)
      block.call(width)
    end
  end

  it "cuts no text off, covers no control, keeps each page within a quarter more than is seen, and is accessible" do
    faults = []
    at_each_size do |width|
      each_page do |name|
        faults.concat(faults_of(name, width))
        next if width == sizes[0][0]

        # From page to page the inspector is another; what is beside it is mostly the same.
        whole = ["Model, page 1", "Art, page 1"].include?(name)

        assert_accessible(name, within: whole ? "html" : ".inspector")
      end
    end

    assert_empty faults, faults.join("\n")
  end

  it "does so on the pages of Fit with a picture too, and with what Match proposes" do
    open_heron
    faults = []
    each_page(["Fit"]) do |name|
      assert_accessible(name, within: ".inspector")
      faults.concat(at_each_size { |width| faults_of(name, width) })
    end
    tab "Match"
    click_button "Propose cells for all islands"

    assert_button "Accept all 8"
    faults.concat(at_each_size { |width| faults_of("Match, proposed", width) })
    all(".proposals .pair")[1].click

    assert_button "Take it"
    faults.concat(at_each_size { |width| faults_of("Match, previewed", width) })

    assert_accessible("Match, previewed")

    assert_empty faults, faults.join("\n")
  end

  it "has no fault that a checker of accessibility finds in what opens, and on the start page" do
    all(".inspector [role=tab]")[2].click
    all(".findings [aria-expanded]").each(&:click)

    assert_accessible("opened findings")
    stage "Lay out"
    tab "Order"
    unfold "Kept layouts"
    click_button "Keep this layout"
    click_button "Compare"

    assert_selector ".modal.show"
    assert_accessible("the comparison")
    click_button "Close", match: :first
    find("button[aria-label=Keys]").click

    assert_selector ".modal.show", text: "nudge the picked islands"
    assert_accessible("the keys")
    click_button "Close", match: :first
    find(".home").click

    assert_selector ".job"
    assert_accessible("the start page")
    click_button "Remove lantern-shade"

    assert_selector ".modal.show"
    assert_accessible("the question before a job is removed")
  end

  it "takes a whole job by the keyboard alone, from a box of typed measures to the zip, in under 180 keys" do
    visit "/"
    find_field("Width, x")
    tab_to(/\AMake the box\z/)
    press(:enter)

    assert_selector ".island-card", text: "Front"
    press("2")
    skip_to_tools
    tab_to(/\ASeams\z/)
    turn_to("Lay flat")
    tab_to(/\ALay everything flat\z/)
    press(:enter)

    assert_done(/laid flat/)
    press("3")
    skip_to_tools
    tab_to(/\AScale\z|\APlace\z|\AOrder\z|\APack\z/)
    turn_to("Pack")
    tab_to(/\APack all islands\z/)
    press(:enter)

    assert_button "Pack all islands"
    tab_to(/\ATake it\z/)
    press(:enter)

    assert_done(/packed|Packed/)
    press("6")
    skip_to_tools
    tab_to(/\AFill\z/)
    press(:enter)

    assert_selector ".layer", count: 1
    press("5")
    skip_to_main_action
    trace = downloaded { press(:enter) }

    assert_equal "\x89PNG".b, File.binread(trace, 4)
    press("7")
    skip_to_main_action
    zip = downloaded { press(:enter) }

    assert_equal "PK".b, File.binread(zip, 2)
    assert_operator keys, :<, 180
  end
end
