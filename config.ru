# frozen_string_literal: true

require_relative "server/front"
require_relative "server/store/database"
require_relative "server/workers/gateway"

path = ENV.fetch("SHEET_TRACE_DATABASE") { File.expand_path("var/sheet-trace.sqlite", __dir__) }
database = SheetTraceServer::Store::Database.open(path)
events = SheetTraceServer::Events.new
run SheetTraceServer::Front.app(
      api: SheetTraceServer::Workers::Gateway.new(SheetTraceServer::Workers::Pool.new(path), events),
      events: events,
      jobs: SheetTraceServer::Store::Jobs.new(database)
    )
