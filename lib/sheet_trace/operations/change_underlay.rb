# frozen_string_literal: true

module SheetTrace
  module Operations
    # Changes how an underlay is called and shown. What is nil stays as it is.
    #
    # index [Integer]; name [String]; opacity [Numeric] 0 to 1; locked, reference [Boolean]; scale_note [String]
    ChangeUnderlay = Struct.new(:index, :name, :opacity, :locked, :reference, :scale_note, keyword_init: true) do
      def initialize(index:, name: nil, opacity: nil, locked: nil, reference: nil, scale_note: nil)
        super
        freeze
      end

      def validate(job)
        problem = Checks.entry(index, job.backdrop.underlays, "underlay")
        return [problem] if problem

        [name && Checks.text(name, "the underlay's name"), Checks.optional(opacity, "opacity", 0..1), *[[locked, "locked"], [reference, "reference"]].map do |flag, what|
          flag.nil? ? nil : Checks.flag(flag, what)
        end,
         scale_note.nil? || (scale_note.is_a?(String) && scale_note.size <= 200) ? nil : "the note on its scale may have up to 200 characters",
         locked.nil? && Checks.unlocked(job, index)].select { |found| found.is_a?(String) }
      end

      def apply(job)
        changes = to_h.except(:index).compact
        changes[:name] = name.strip if name
        backdrop = job.backdrop.replace(index, job.backdrop.underlays[index].with(**changes))
        job.with(backdrop: reference && backdrop.shown == index ? backdrop.with(shown: nil) : backdrop)
      end

      def describe(job, after)
        now = after.backdrop.underlays[index]
        done = []
        done << "renamed from #{job.backdrop.underlays[index].name}" if name
        done << "#{Words.short(opacity * 100)} % opaque" if opacity
        done << (locked ? "locked" : "unlocked") unless locked.nil?
        done << (reference ? "only looked at" : "an underlay again") unless reference.nil?
        done << "scale noted" if scale_note
        "#{now.name}: #{done.empty? ? "left as it is" : done.join(", ")}"
      end
    end
  end
end
