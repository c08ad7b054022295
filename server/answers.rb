# frozen_string_literal: true

module SheetTraceServer
  # What the routes share: reading uploads, answering in JSON.
  module Answers
    UPLOAD_BYTES = 200 * 1024 * 1024
    UPLOAD_FILES = 200
    JSON_BYTES = 20 * 1024 * 1024

    def workshop = settings.workshop

    # @param shape [Json::Shape] that the answer has; held against it where settings.check_answers says so
    def answer(shape, value)
      wrong = settings.check_answers && shape.problem(value)
      raise TypeError, "#{shape.typescript}: #{wrong}" if wrong

      content_type :json
      JSON.generate(value)
    end

    # @return [Hash{Symbol => Object}] the request's JSON
    def request_json
      check_size("the request is", JSON_BYTES)
      Params.json(request.body.read)
    end

    def halt_json(code, **error) =
      halt(code, { "content-type" => "application/json" }, JSON.generate(error: expressible(error)))

    # What JSON has no word for as text.
    def expressible(value)
      case value
      when Hash
        value.transform_values { |part| expressible(part) }
      when Array
        value.map { |part| expressible(part) }
      when Float
        value.finite? ? value : value.to_s
      when String
        value.dup.force_encoding(Encoding::UTF_8).scrub("_")
      else
        value
      end
    end

    def code_of(failure)
      if failure.respond_to?(:code)
        failure.code
      else
        failure.class.name.split("::").last.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase
      end
    end

    # The job; or where the page says which revision it has, and that is at hand, what differs from it.
    def render_job(id, done = nil)
      job = job_json(id)
      before = workshop.told[request.get_header("HTTP_X_HAS").to_i]
      workshop.told[job[:revision]] = job unless job[:damage]
      job = job.merge(done: done) if done
      change = before && before[:id] == id ? Json::JobChangeJson.call(before, job) : nil
      change ? answer(Json::JobChangeJson::SHAPE, change) : answer(Json::JobJson::SHAPE, job)
    end

    def job_json(id)
      revision, damage = workshop.shown(id)
      Json::JobJson.call(
        row: workshop.jobs.find(id),
        revision: revision,
        snapshot: workshop.snapshot(id, revision[:id]),
        pictures: workshop.jobs.pictures(id),
        history: workshop.jobs.history(id),
        page: asking_page,
        damage: damage
      )
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
      sent = Rack::Utils.unescape(request.get_header("HTTP_X_FILE_NAME").to_s.b, Encoding::BINARY)
      name = File.basename(readable(sent))
      name.empty? ? "unnamed" : name[0, 200]
    rescue ArgumentError
      "unnamed"
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
      if files.size > UPLOAD_FILES
        raise SheetTrace::LimitError.new(
                "#{files.size} files are too many at once; up to #{UPLOAD_FILES} are taken, so put them into a zip",
                where: {
                  limit: UPLOAD_FILES,
                  got: files.size
                }
              )
      end

      files.to_h { |file| [readable(file[:filename].to_s)[0, 300], file[:tempfile].read.b] }
    end

    # A file's name as it was sent, in UTF-8 and without what no name may hold.
    def readable(name) = name.dup.force_encoding(Encoding::UTF_8).scrub("_").tr("\\", "/").delete("\u0000-\u001f")

    def check_size(what, limit = UPLOAD_BYTES)
      got = request.content_length.to_i
      return if got <= limit

      raise SheetTrace::LimitError.new(
              "#{what} too large: #{got / 1_048_576} MB; at most #{limit / 1_048_576} MB are taken",
              where: {
                limit: limit,
                got: got
              }
            )
    end

    def forever = cache_control(:private, :immutable, max_age: 31_536_000)
  end
end
