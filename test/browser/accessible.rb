# frozen_string_literal: true

require "axe-capybara"
require "axe/matchers/be_axe_clean"

# What a checker of accessibility finds on the page. The page has no frames, so it is checked where it stands, and
# nothing but what is wrong is handed over.
module Accessible
  Axe::Configuration.instance.legacy_mode = true

  # @param name [String] of what is shown
  # @param within [String] selector of what is looked at
  def assert_accessible(name, within: "html")
    matcher = Axe::Matchers::BeAxeClean.new.within(within).with_options(resultTypes: ["violations"])

    assert matcher.matches?(page), "#{name}: #{matcher.failure_message}"
  end
end
