# frozen_string_literal: true

require "capybara"
require "selenium-webdriver"
require_relative "hand"

# Clicks elements and sends them keys, each by one question to the page and the browser's own events. The driver's way
# sends the page several programs of many kB each time, which costs five times as much.
module PageActions
  # The place where an element is clicked: the middle of what is seen of its first box, once it is scrolled to. Without
  # one, what lies over it.
  # Source: W3C, "WebDriver", 12.4 Interactability and 12.5.1 Element Click
  AIM = <<~JS
    const [element] = arguments
    if (element.matches("option")) return ["option", null]
    const middle = () => {
      const box = element.getClientRects()[0]
      if (!box) return null
      const x = (Math.max(box.left, 0) + Math.min(box.right, innerWidth)) / 2
      const y = (Math.max(box.top, 0) + Math.min(box.bottom, innerHeight)) / 2
      const there = document.elementFromPoint(x, y)
      return { at: [x, y], hit: element.contains(there), over: there?.outerHTML.slice(0, 200) ?? "nothing" }
    }
    let found = middle()
    if (!found?.hit) {
      element.scrollIntoView({ behavior: "instant", block: "nearest", inline: "nearest" })
      found = middle()
    }
    return found?.hit ? ["there", found.at] : [found?.over ?? "nothing, for it has no box", null]
  JS
  # Makes an element the one that keys go to, at the end of what it holds.
  FOCUS = <<~JS
    const [element] = arguments
    if (element.matches("[type=file]")) return true
    if (element !== document.activeElement && !element.contains(document.activeElement)) {
      element.focus()
      if (element.matches("input:is([type=text], [type=search]), textarea"))
        element.setSelectionRange(element.value.length, element.value.length)
    }
  JS
  private_constant :AIM, :FOCUS

  def click(keys = [], **options)
    return super unless keys.empty? && options.values_at(:x, :y, :delay).none?

    what, at = driver.execute_script(AIM, self)
    return super if what == "option"
    raise Selenium::WebDriver::Error::ElementClickInterceptedError, "over it lies #{what}" unless at

    Hand.click(driver.browser, at)
  end

  # @param keys [Array<String, Symbol, Array>] an array's are held together
  def send_keys(*keys)
    driver.execute_script(FOCUS, self) ? super : Hand.press(driver.browser, *keys)
  end
end

Capybara::Selenium::ChromeNode.prepend(PageActions)
