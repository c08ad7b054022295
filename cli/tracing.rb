# frozen_string_literal: true

module SheetTraceCli
  # The wireframe template of a model's file, in the format of the file that is written.
  class Tracing
    # @param reading [SheetTrace::Formats::Reading]; path [String] of the model
    # @param options [Hash] of the command line
    # @raise [SheetTrace::InputError]
    def initialize(reading, path, options)
      @path = path
      @options = options
      most_px = SheetTrace::Layout::Sheet::TEMPLATE_PX.end
      @size = SheetTrace::Layout::DocumentSize.parse(options[:size], dpi: options[:dpi], most_px: most_px)
      @job = SheetTrace::Job.start(reading, source_name: File.basename(path), sheet: @size.for_a_job)
      @kind = File.extname(options[:out]).delete_prefix(".").downcase
    end

    # @return [String] of the file
    def bytes
      @bytes ||=
        SheetTrace::Job::TemplateFile.call(
          @job,
          size: @size,
          title: File.basename(@path, ".*"),
          pictures: ->(_digest) {},
          file: {
            format: @kind,
            crop: @options[:crop],
            dpi: @options[:dpi]&.to_f,
            paper: @options[:paper],
            hairlines: @options[:hairlines]
          },
          options: {
            line_px: @options[:line],
            marks: @options[:marks].split(","),
            **%i[color background edges diagonals hard fill].to_h { |name| [name, @options[name]] }
          }
        )
    end

    # @return [Hash]
    def to_h
      {
        file: @options[:out],
        width_px: @size.width_px,
        height_px: @size.height_px,
        bytes: bytes.bytesize,
        code: SheetTrace::Trace::Code.call(@job.layout),
        islands: @job.layout.uv_map.island_count,
        loses: SheetTrace::Formats::Drawings::KINDS.fetch(@kind)[:loses]
      }
    end

    def to_text = "#{@options[:out]}: #{@size}, #{to_h[:islands]} islands, layout #{to_h[:code]}"
  end
end
