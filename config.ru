# frozen_string_literal: true

require_relative "server/workers/pool"

path = ENV.fetch("SHEET_TRACE_DATABASE") { File.expand_path("var/sheet-trace.sqlite", __dir__) }
pool = SheetTraceServer::Workers::Pool.new(path) # what workers need is loaded meanwhile

require_relative "server/front"
require_relative "server/store/database"
require_relative "server/workers/gateway"
require_relative "server/exchange/watcher"

begin
  SheetTraceServer::Store::Database.open(path).disconnect # brought up to date before workers open it
rescue SheetTraceServer::Store::Unusable => e
  abort "sheet-trace: #{path}: #{e.message}"
end
events = SheetTraceServer::Events.new
upload_s = Float(ENV.fetch("SHEET_TRACE_UPLOAD_S", "30"))
pool.warm_up
api = SheetTraceServer::Workers::Gateway.new(pool, events, upload_s: upload_s)
SheetTraceServer::Exchange::Watcher.new(SheetTraceServer::Store::Exchanges.root(path), api).start
run SheetTraceServer::Front.app(api: api, events: events)
