# frozen_string_literal: true

module SheetTraceServer
  # What the routes share: reading uploads, answering in JSON.
  module Answers
    UPLOAD_BYTES = 200 * 1024 * 1024

    def workshop = settings.workshop

    # @param shape [Json::Shape] that the answer has; held against it where settings.check_answers says so
    def answer(shape, value)
      wrong = settings.check_answers && shape.problem(value)
      raise TypeError, "#{shape.typescript}: #{wrong}" if wrong

      content_type :json
      JSON.generate(value)
    end

    # @return [Hash{Symbol => Object}] the request's JSON
    def request_json = Params.json(request.body.read)

    def halt_json(code, **error) = halt(code, { "content-type" => "application/json" }, JSON.generate(error: error))

    def code_of(failure)
      if failure.respond_to?(:code)
        failure.code
      else
        failure.class.name.split("::").last.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase
      end
    end

    def render_job(id, done = nil)
      row = workshop.jobs.find(id)
      revision = workshop.jobs.revision(id)
      job =
        Json::JobJson.call(
          row: row,
          revision: revision,
          snapshot: workshop.snapshot(id, revision[:id]),
          pictures: workshop.jobs.pictures(id),
          history: workshop.jobs.history(id),
          page: asking_page
        )
      answer(Json::JobJson::SHAPE, done ? job.merge(done: done) : job)
    end

    def render_step(by, word)
      moved = workshop.step(params[:id], by)
      elsewhere = moved && moved[:page] && moved[:page] != asking_page ? " (a step of another page)" : ""
      render_job(
        params[:id],
        (
          if moved
            "#{word}: #{moved[:description]}#{elsewhere}"
          else
            "There is nothing to #{by.negative? ? "undo" : "redo"}"
          end
        )
      )
    end

    # @return [String, nil] what the page that asks calls itself
    def asking_page = request.get_header("HTTP_X_PAGE").to_s[/\A[\w-]{1,40}\z/]

    def uploaded_name
      File
        .basename(URI.decode_www_form_component(request.get_header("HTTP_X_FILE_NAME").to_s).tr("\\", "/"))
        .then { |name| name.empty? ? "unnamed" : name[0, 200] }
    end

    def uploaded_bytes
      check_size("#{uploaded_name} is")
      request.body.read.b
    end

    # The files of a form, by the name each was chosen under.
    def uploaded_files
      check_size("the files together are")
      files = Array(params[:files]).select { |file| file.is_a?(Hash) && file[:tempfile] }
      raise SheetTrace::InputError, "no file came along; choose a model" if files.empty?

      files.to_h do |file|
        [
          file[:filename].to_s.dup.force_encoding(Encoding::UTF_8).scrub("_").tr("\\", "/")[0, 300],
          file[:tempfile].read.b
        ]
      end
    end

    def check_size(what)
      got = request.content_length.to_i
      return if got <= UPLOAD_BYTES

      raise SheetTrace::LimitError.new(
              "#{what} too large: #{got / 1_048_576} MB; at most 200 MB are taken",
              where: {
                limit: UPLOAD_BYTES,
                got: got
              }
            )
    end

    def forever = cache_control(:private, :immutable, max_age: 31_536_000)
  end
end
