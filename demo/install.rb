# frozen_string_literal: true

require_relative "../server/app"
require_relative "build"
require "fileutils"

# Puts the sample jobs into an empty store, and writes their files beside it.
#
#   ruby demo/install.rb DATABASE FOLDER
path, folder = ARGV
jobs = SheetTraceServer::Store::Jobs.new(SheetTraceServer::Store::Database.open(path))
if jobs.empty?
  Demo.samples.each do |sample|
    jobs.create(
      sample.name,
      SheetTrace::Job::Snapshot.dump(sample.job),
      "Sample made",
      pictures: sample.pictures,
      model_files: sample.model,
      operation: {
        operations: sample.operations
      }
    )
  end
end
Demo.write_files(folder)
