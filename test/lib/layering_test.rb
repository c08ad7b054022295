# frozen_string_literal: true

require_relative "../test_helper"

describe "the core's layers" do
  # Code may name only what stands above it.
  layers = %w[
    bounded_memo
    progress
    Parameters
    References
    Registry
    Geometry
    Raster
    Drawing
    Mesh
    UvMap
    Flatten
    Layout
    Fit
    Trace
    Artwork
    Check
    Print
    Formats
    Solids
    Job
    Pick
    Operations
    Recipe
  ]
  folder = File.expand_path("../../lib/sheet_trace", __dir__)
  layer_of =
    lambda do |file|
      top = file.delete_prefix("#{folder}/").split("/").first.delete_suffix(".rb")
      layers.find { |layer| layer.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase == top }
    end

  it "names nothing that stands below" do
    wrong =
      Dir["#{folder}/**/*.rb"].flat_map do |file|
        own = layers.index(layer_of.call(file)) or next []
        code = File.readlines(file).grep_v(/^\s*#/).join.gsub(/"(?:[^"\\#]|\\.)*"/, '""')
        below = layers[(own + 1)..].select { |layer| code.match?(/(?<![:\w])(?:SheetTrace::)?#{layer}(?=::|\.)/) }
        below.map { |layer| "#{file.delete_prefix("#{folder}/")} names #{layer}" }
      end

    assert_empty wrong
  end

  it "names no server, no page and no clock" do
    outside = /\b(Sinatra|Rack|Sequel|SQLite3|SheetTraceServer|Time\.now|ENV)\b/
    wrong =
      Dir["#{folder}/**/*.rb"].select do |file|
        File.readlines(file).any? { |line| !line.match?(/^\s*#/) && line.match?(outside) }
      end

    assert_empty wrong
  end

  it "loads every file" do
    SheetTrace.eager_load

    assert SheetTrace::Operations::NAMES.names.all? { |name| SheetTrace::Operations::NAMES.fetch(name) }
  end
end
