# frozen_string_literal: true

require_relative "server/front"
require_relative "server/store/database"
require_relative "server/workers/gateway"

path = ENV.fetch("SHEET_TRACE_DATABASE") { File.expand_path("var/sheet-trace.sqlite", __dir__) }
SheetTraceServer::Store::Database.open(path).disconnect # brought up to date before workers open it
events = SheetTraceServer::Events.new
run SheetTraceServer::Front.app(
      api: SheetTraceServer::Workers::Gateway.new(SheetTraceServer::Workers::Pool.new(path), events),
      events: events
    )
