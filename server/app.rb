# frozen_string_literal: true

require_relative "../config/environment"

require "rack/deflater"
require "securerandom"
require "sinatra/base"
require "time"
require "uri"

require_relative "params"
require_relative "cancelled"
require_relative "store/database"
require_relative "store/jobs"
require_relative "store/exchanges"
require_relative "store/receivers"
require_relative "workshop"
require_relative "answers"
# what the others name
%w[shape shapes lines_json islands_json fit_setup_json artwork_json].each { |name| require_relative "json/#{name}" }
Dir[File.join(__dir__, "json", "*.rb")].each { |file| require file }
Dir[File.join(__dir__, "routes", "*.rb")].each { |file| require file }

module SheetTraceServer
  # Mounts the routes of the API; the one place that maps errors to statuses.
  class App < Sinatra::Base
    STATUSES = {
      SheetTrace::LimitError => 413,
      SheetTrace::Error => 422,
      Store::Jobs::NotFound => 404,
      Store::Jobs::Conflict => 409,
      Store::Damaged => 422,
      Store::Unusable => 507,
      Rack::BadRequest => 400,
      Sinatra::BadRequest => 400,
      Sinatra::NotFound => 404,
      Cancelled => 499,
      NoMemoryError => 507
    }.freeze
    # What is said in place of a failure's own message.
    BAD_REQUEST = "the request can't be read; look at its address and its form"
    OUT_OF_MEMORY =
      "this takes more memory than one piece of work may have (3 GB); nothing of yours was changed. Ask for less at once"
    TEXTS = %w[application/json].freeze
    private_constant :STATUSES, :BAD_REQUEST, :OUT_OF_MEMORY, :TEXTS

    helpers Answers

    set :show_exceptions, false
    set :raise_errors, false
    set :dump_errors, false
    set :static, false
    # Who may ask is the Front's affair.
    set :protection, false
    set :host_authorization, { permitted_hosts: [] }
    set :check_answers, false

    # More than are taken, so that it is we who say so.
    Rack::Utils.multipart_file_limit = 4 * Answers::UPLOAD_FILES

    use Rack::Deflater, include: TEXTS, sync: false

    # @param database [Sequel::Database]
    # @param others [#call, nil] has a request answered by another worker, as Workers::Others does
    # @yieldparam job_id [String]; revision_id [Integer] what is shown of a job from now on
    def self.open(database, others: nil, &changed)
      set :others, others
      set :workshop, Workshop.new(Store::Jobs.new(database), &changed)
      set :receivers, Store::Receivers.new(database)
      set :exchanges, Store::Exchanges.new(database, database.opts.fetch(:database))
      self
    end

    register Routes::Jobs
    register Routes::Pictures
    register Routes::Views
    register Routes::Underlays
    register Routes::Files
    register Routes::Picks
    register Routes::Watching
    register Routes::KeptMaps
    register Routes::Exchange
    register Routes::History
    register Routes::Receivers
    register Routes::Revised

    def message_of(failure)
      case failure
      when NoMemoryError
        OUT_OF_MEMORY
      when Sinatra::NotFound
        "there is nothing at #{request.path}"
      when Rack::BadRequest, Sinatra::BadRequest
        BAD_REQUEST
      else
        failure.message
      end
    end

    error { answer_failure(env["sinatra.error"]) }
    error(Sinatra::NotFound, Sinatra::BadRequest) { answer_failure(env["sinatra.error"]) }

    def answer_failure(failure)
      _class, code = STATUSES.find { |type, _status| failure.is_a?(type) }
      unless code
        env["rack.errors"].puts(failure.full_message(highlight: false))
        halt_json 500,
                  code: "internal",
                  message: "something went wrong on our side; nothing of yours was changed",
                  where: {
                  }
      end
      halt_json code,
                code: code_of(failure),
                message: message_of(failure),
                where: failure.respond_to?(:where) ? failure.where : {}
    end
  end
end
