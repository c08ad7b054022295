# frozen_string_literal: true

# What a hand does at a mouse and at keys, wherever the page has its elements.
module Hand
  # Keys that are held, as the browser's protocol counts them.
  HELD = { alt: 1, control: 2, shift: 8 }.freeze
  private_constant :HELD

  # A click that says by itself the how manieth of quick clicks it is: how quick they are is the machine's affair.
  #
  # @param browser [Selenium::WebDriver::Chrome::Driver]
  # @param at [Array(Numeric, Numeric)] px of the screen
  # @param keys [Array<Symbol>] of HELD
  # @param count [Integer] 1, or 2 for the second of a double click
  def self.click(browser, at, *keys, count: 1)
    x, y = at.map(&:round)
    event = { x: x, y: y, button: "left", modifiers: keys.sum { |key| HELD.fetch(key) } }
    send_mouse(browser, "mouseMoved", **event, button: "none")
    send_mouse(browser, "mousePressed", **event, buttons: 1, clickCount: count)
    send_mouse(browser, "mouseReleased", **event, clickCount: count)
  end

  # @param keys [Array<String, Symbol, Array>] pressed one after the other, an array's held together
  def self.press(browser, *keys)
    action = browser.action(duration: 0)
    keys.each do |key|
      *held, last = Array(key)
      held.each { |own| action.key_down(own) }
      action.send_keys(last)
      held.reverse_each { |own| action.key_up(own) }
    end
    action.perform
  end

  def self.send_mouse(browser, type, **event) = browser.execute_cdp("Input.dispatchMouseEvent", type: type, **event)
  private_class_method :send_mouse
end
