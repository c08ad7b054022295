# frozen_string_literal: true

require_relative "server/app"
require "fileutils"

# The first picture shall not wait for the drawing libraries, which take a second to load.
Thread.new { SheetTrace.eager_load }

path = ENV.fetch("SHEET_TRACE_DATABASE") { File.expand_path("var/sheet-trace.sqlite", __dir__) }
run SheetTraceServer::App.open(SheetTraceServer::Store::Database.open(path))
