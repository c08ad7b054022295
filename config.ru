# frozen_string_literal: true

require_relative "server/front"
require_relative "server/store/database"
require_relative "server/workers/gateway"

path = ENV.fetch("SHEET_TRACE_DATABASE") { File.expand_path("var/sheet-trace.sqlite", __dir__) }
begin
  SheetTraceServer::Store::Database.open(path).disconnect # brought up to date before workers open it
rescue SheetTraceServer::Store::Unusable => e
  abort "sheet-trace: #{path}: #{e.message}"
end
events = SheetTraceServer::Events.new
run SheetTraceServer::Front.app(
      api: SheetTraceServer::Workers::Gateway.new(SheetTraceServer::Workers::Pool.new(path), events),
      events: events
    )
