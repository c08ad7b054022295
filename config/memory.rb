# frozen_string_literal: true

require "fiddle"

# How a process comes by its memory, by functions of the C library (glibc); without them all stays as it is.
module Memory
  # mallopt(3)
  M_TRIM_THRESHOLD = -1
  M_MMAP_THRESHOLD = -3
  # Arrays of a sheet of 4096 px are smaller. Larger ones go back at once: their room is wanted more than the time.
  ARRAY_BYTES = 160 << 20
  FREE_BYTES = 1 << 30
  private_constant :M_TRIM_THRESHOLD, :M_MMAP_THRESHOLD, :ARRAY_BYTES, :FREE_BYTES

  # From now on memory that is given back is used again: fetched from the system anew for each large array, its pages
  # cost as much as a fifth of the work.
  def self.reuse
    mallopt = function("mallopt", [Fiddle::TYPE_INT, Fiddle::TYPE_INT]) or return
    mallopt.call(M_MMAP_THRESHOLD, ARRAY_BYTES)
    mallopt.call(M_TRIM_THRESHOLD, FREE_BYTES)
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
