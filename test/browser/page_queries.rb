# frozen_string_literal: true

require "capybara"
require "selenium-webdriver"

# Looks elements up in one question to the page, together with what is asked of them next. The driver's own way asks
# several times, and sends a program of many kB with each question, which takes longer than all else of most tests.
module PageQueries
  SHOWN = <<~JS
    (element) => {
      const box = element.closest("select") ?? element
      return box.checkVisibility({ opacityProperty: true, visibilityProperty: true }) && box.getClientRects().length > 0
    }
  JS
  # The text of so few elements, of so many characters, is told unasked.
  FEW = 8
  SHORT = 1000
  DISABLED = "(element) => element.matches(':disabled, select:disabled *')"
  FOUND = <<~JS.freeze
    const [from, format, selector, texts] = arguments
    const root = from ?? document
    const byCss = () => [...root.querySelectorAll(selector)]
    const byPath = () => {
      const result = document.evaluate(selector, root, null, XPathResult.ORDERED_NODE_SNAPSHOT_TYPE, null)
      return Array.from({ length: result.snapshotLength }, (_, i) => result.snapshotItem(i))
    }
    const says = (element) => texts.every((text) => element.textContent.toLowerCase().includes(text.toLowerCase()))
    const found = (format === "css" ? byCss() : byPath()).filter(says)
    const short = found.length <= #{FEW} && found.every((element) => element.textContent.length <= #{SHORT})
    const told = (element) => (texts.length || short ? element.innerText : null)
    return found.map((element) => [element, (#{SHOWN})(element), (#{DISABLED})(element), told(element)])
  JS
  # What the page said of an element holds for the checks that follow at once.
  FRESH_S = 0.2
  private_constant :SHOWN, :FEW, :SHORT, :DISABLED, :FOUND, :FRESH_S

  # Of a page, and of an element.
  module Finding
    private

    def find_by(format, selector, texts:, **)
      inside = is_a?(Capybara::Selenium::Node)
      found = (inside ? driver : self).execute_script(FOUND, (self if inside), format, selector, texts)
      at = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      found.map { |element, visible, *rest| build_node(element, { visible: visible, told: [at, *rest] }) }
    end
  end

  # What an element says of itself: what came along when it was found, as long as that is fresh.
  module Telling
    def visible_text
      known = told { |_disabled, text| text } || driver.evaluate_script("arguments[0].innerText", self)
      known.to_s.tr("\t", " ").squeeze("\n").strip
    end

    def visible? = driver.evaluate_script("(#{SHOWN.strip})(arguments[0])", self)

    def disabled?
      known = told { |disabled, _text| disabled }
      known.nil? ? super : known
    end

    private

    def told
      at, *rest = initial_cache[:told]
      yield rest if at && Process.clock_gettime(Process::CLOCK_MONOTONIC) - at < FRESH_S
    end
  end
end

Capybara::Selenium::ChromeNode.prepend(PageQueries::Finding, PageQueries::Telling)
Capybara::Selenium::Driver.prepend(PageQueries::Finding)
