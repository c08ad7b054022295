# frozen_string_literal: true

# A hand without a pointer: Tab goes on until something is reached, the arrows choose among pages.
module Keyboard
  # @return [Integer] keys that were pressed
  attr_reader :keys

  def press(*keys)
    @keys = (@keys || 0) + keys.size
    keys.each { |key| mouse.send_keys(key).perform }
  end

  # @param pattern [Regexp] of what the control is called
  def tab_to(pattern)
    now =
      lambda do
        page.evaluate_script(
          "(e => e.getAttribute('aria-label') || e.textContent || e.value || '')(document.activeElement)"
        ).strip
      end
    150.times do
      press(:tab)
      return if now.call.match?(pattern)
    end

    flunk "#{pattern} is not reached by Tab"
  end

  def turn_to(page_name, by = :arrow_right)
    # The page is shown a little after the key; one more would go past it.
    [0, 2, 2, 2].each do |wait|
      press(by) unless page.has_css?(".inspector [role=tab].active", text: page_name, exact_text: true, wait: wait)
    end
  end

  # Past the bars, by the link for it.
  def skip_to_tools = skip(/\ATo tools of the stage\z/)
  def skip_to_main_action = skip(/\ATo the stage's main action\z/)

  def skip(link)
    page.execute_script("document.activeElement.blur()")
    tab_to(link)
    press(:enter)
  end
end
