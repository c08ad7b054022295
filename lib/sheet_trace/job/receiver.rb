# frozen_string_literal: true

module SheetTrace
  class Job
    # Somebody who is sent textures and models: how he wants them and the rules that they must keep, for all jobs.
    class Receiver < Parameters::Declared
      # What is a job's own affair.
      OF_JOBS = %i[parts editions].freeze

      text :name
      parameter :options, Parameters::Record.of(Deliver), "how the files are written", default: {}
      parameter :rules, Parameters::Record.of(ReceiverRules), "what they are held against", default: {}

      # @param plain [Hash{Symbol => Object}] as in JSON
      # @return [Receiver] all of its options and rules said
      # @raise [InputError]
      def self.of_plain(plain)
        receiver = new(**from_plain(plain)).validated(References::Context.new(job: nil))
        receiver.with(options: receiver.options.except(*OF_JOBS))
      end

      # @param text [String] of a file of receivers; name [String] of it, for messages
      # @return [Array<Receiver>]
      # @raise [FormatError] where: { file: } or { file:, receiver: }
      def self.read(text, name:)
        document = JSON.parse(text, symbolize_names: true)
        list = document.is_a?(Hash) ? document[:receivers] : nil
        raise unreadable(name) unless list.is_a?(Array) && list.all?(Hash)

        list.each_with_index.map do |plain, index|
          of_plain(plain)
        rescue InputError => e
          raise FormatError.new(
                  "#{name}, receiver #{index + 1} (#{plain[:name].to_s.slice(0, 40)}): #{e.message}",
                  where: {
                    file: name,
                    receiver: index + 1
                  }
                )
        end
      rescue JSON::ParserError, EncodingError
        raise unreadable(name)
      end

      # @param receivers [Array<Receiver>]
      # @return [String] of a file
      def self.write(receivers) = JSON.pretty_generate({ receivers: receivers.map(&:to_plain) })

      def self.unreadable(name)
        FormatError.new("#{name} holds no receivers; take a file that was saved here", where: { file: name })
      end
      private_class_method :unreadable

      # @return [Hash{Symbol => Object}] as in JSON
      def to_plain = self.class.to_plain(to_h)

      # @param job [Job]; size [Layout::Sheet] of the textures; options [Hash] as Deliver declares them, checked
      # @param base_name [String] what {job} stands for
      # @yieldreturn [Hash{String => String}] the files; asked for only where their weight counts
      # @raise [InputError] with each rule that is broken, and its cure
      def hold(job, size, options, base_name:, &files)
        broken = ReceiverRules.new(**rules).breaks(job, size, options, base_name: base_name, &files)
        return if broken.empty?

        raise InputError, "#{name}: #{broken.map { |own| "#{own.message}; #{own.cure}" }.join(". ")}"
      end
    end
  end
end
