# frozen_string_literal: true

module SheetTrace
  # How far work has come, for whoever waits for it. Work tells which share of it is done, each piece of work its own;
  # who listens hears the share of the whole. It is heard within one thread, and costs next to nothing where nobody
  # listens.
  module Progress
    # What is told now, and which part of the whole that is.
    Ear = Struct.new(:listener, :from, :width)
    private_constant :Ear

    module_function

    # @param listener [#call] takes the share of the work that is done, 0 to 1
    # @yield the work
    # @return what the work gives
    def heard_by(listener, &) = with(Ear.new(listener, 0.0, 1.0), &)

    # @param share [Numeric] of the present work that is done, 0 to 1
    def tell(share)
      ear = Thread.current[:sheet_trace_progress]
      ear&.listener&.call(ear.from + (ear.width * share))
    end

    # Work that goes on until it is good enough, so that nobody knows how many steps there will be.
    #
    # @param steps [Integer] done; usual [Integer] how many mostly do
    def tell_steps(steps, usual:) = tell(1 - (0.1**steps.fdiv(usual)))

    # What the work within tells is told as that part of the present work.
    #
    # @param from [Float] 0 to 1; to [Float] 0 to 1
    def part(from, to)
      ear = Thread.current[:sheet_trace_progress]
      return yield unless ear

      with(Ear.new(ear.listener, ear.from + (ear.width * from), ear.width * (to - from))) { yield.tap { tell(1) } }
    end

    # @param list [Array]; sizes [Array<Numeric>] of the work that each brings, any unit
    # @yieldparam element
    # @return [Array] what the block gives
    def map(list, sizes: Array.new(list.size, 1))
      whole = [sizes.sum.to_f, 1e-9].max
      done = 0
      list
        .zip(sizes)
        .map { |element, size| part(done / whole, (done + size) / whole) { yield element }.tap { done += size } }
    end

    def with(ear)
      former = Thread.current[:sheet_trace_progress]
      Thread.current[:sheet_trace_progress] = ear
      yield
    ensure
      Thread.current[:sheet_trace_progress] = former
    end
    private_class_method :with
  end
end
