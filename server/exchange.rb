# frozen_string_literal: true

module SheetTraceServer
  # Files that other programs work on: each job may have a folder whose files are taken as they are saved.
  module Exchange
    # What the watcher tells the workers at.
    TAKE = "/api/exchange/files"
  end
end
