# frozen_string_literal: true

module SheetTrace
  module Operations
    # Changes how an underlay is called and shown. What is nil stays as it is.
    class ChangeUnderlay < Operation
      underlay :index
      text :name, label: "the underlay's name", optional: true
      number :opacity, 0..1, optional: true
      flag :locked, "against changes", optional: true
      flag :reference, "only looked at", optional: true
      text :scale_note, "what is known of its scale", longest: 200, empty: true, optional: true

      def call(job)
        before = job.fit_setup.underlays[index]
        refuse("#{before.name} is locked; unlock it first") if before.locked && locked.nil?

        setup = job.fit_setup.replace(index, before.with(**to_h.except(:index).compact))
        setup = setup.with(shown: nil) if reference && setup.shown == index
        change(
          job.with(fit_setup: setup),
          "#{name || before.name}: #{what(before).then { |words| words.empty? ? "left as it is" : words.join(", ") }}"
        )
      end

      private

      def what(before)
        [
          ("renamed from #{before.name}" if name),
          ("#{Phrases.short(opacity * 100)} % opaque" if opacity),
          { true => "locked", false => "unlocked" }[locked],
          { true => "only looked at", false => "an underlay again" }[reference],
          ("scale noted" if scale_note)
        ].compact
      end
    end
  end
end
