# frozen_string_literal: true

require_relative "server/app"
require "fileutils"

path = ENV.fetch("SHEET_TRACE_DATABASE") { File.expand_path("var/sheet-trace.sqlite", __dir__) }
run SheetTraceServer::App.open(SheetTraceServer::Store::Database.open(path))
