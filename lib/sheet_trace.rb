# frozen_string_literal: true

require "digest"
require "json"
require "nokogiri" # before libvips, which brings an older libxml2 along
require "zeitwerk"
require "numo/narray"

require_relative "sheet_trace/errors"

# The core of Sheet Trace: values in, values out. No HTTP, no SQL, no clock.
module SheetTrace
  LOADER = Zeitwerk::Loader.new
  LOADER.tag = "sheet_trace"
  LOADER.push_dir(File.join(__dir__, "sheet_trace"), namespace: SheetTrace)
  LOADER.ignore(File.join(__dir__, "sheet_trace", "errors.rb"))
  LOADER.setup
  private_constant :LOADER

  # Loads every file of the core, as a test does to find one that doesn't load.
  def self.eager_load = LOADER.eager_load
end
