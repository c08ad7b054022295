# frozen_string_literal: true

require "fiddle"

# How a process comes by its memory, by functions of the C library (glibc); without them all stays as it is.
module Memory
  # mallopt(3)
  M_TRIM_THRESHOLD = -1
  M_MMAP_THRESHOLD = -3
  # Arrays of a sheet are smaller.
  BYTES = (1 << 31) - 1
  private_constant :M_TRIM_THRESHOLD, :M_MMAP_THRESHOLD, :BYTES

  # From now on memory that is given back is used again: fetched from the system anew for each large array, its pages
  # cost as much as a fifth of the work.
  def self.reuse
    mallopt = function("mallopt", [Fiddle::TYPE_INT, Fiddle::TYPE_INT]) or return
    [M_MMAP_THRESHOLD, M_TRIM_THRESHOLD].each { |name| mallopt.call(name, BYTES) }
  end

  # Gives the system what is free. malloc_trim(3)
  def self.give_back = function("malloc_trim", [Fiddle::TYPE_SIZE_T])&.call(0)

  def self.function(name, arguments)
    Fiddle::Function.new(Fiddle.dlopen(nil)[name], arguments, Fiddle::TYPE_INT)
  rescue Fiddle::DLError
    nil
  end
  private_class_method :function
end
