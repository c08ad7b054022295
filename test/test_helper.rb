# frozen_string_literal: true

require_relative "../config/environment"
require "minitest/autorun"
require "tmpdir"
require_relative "models"

# What every test may use.
module SheetTraceTest
  DATA = File.expand_path("data", __dir__)

  def data(path) = File.binread(File.join(DATA, path))

  # @return [SheetTrace::Error] with the code and places wanted
  def assert_refused(type, where = nil, message: nil, &block)
    error = assert_raises(type, &block)
    assert_equal where, error.where.slice(*where.keys) if where
    assert_match message, error.message if message
    error
  end

  # @param image [Vips::Image]; bytes [String] of an image file
  def same_pixels?(image, bytes)
    other = Vips::Image.new_from_buffer(bytes, "")
    size = ->(own) { [own.width, own.height, own.bands] }
    size.call(image) == size.call(other) && (image - other).abs.max.zero?
  end

  # @param parameters [Hash{Symbol => Object}] of the operation; pictures go by their size, such as "100x50"
  # @return [SheetTrace::Operations::Operation::Change]
  def operate(job, name, **parameters)
    SheetTrace::Operations.run(SheetTrace::Operations.from_h(name, parameters), job, pictures: Models.method(:picture))
  end
end

Minitest::Test.include(SheetTraceTest)
