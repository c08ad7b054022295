# frozen_string_literal: true

require_relative "server_test_case"

# Whatever is sent, the answer is JSON, names what is wrong, and is no fault of the server's.
describe "bad input" do
  include ServerTestCase

  senseless = [
    nil,
    true,
    "",
    "x" * 5000,
    "\u0000",
    -1,
    0,
    1e308,
    -1e308,
    2**70,
    0.1,
    [],
    [nil],
    [[]],
    [1e308, -1],
    [2**70],
    {},
    { "kind" => nil },
    { "a" => [{}] },
    [{}],
    [{ "kind" => "x" }]
  ].freeze

  def refute_fault(what)
    assert_operator last_response.status, :<, 500, "#{what}: #{last_response.body[0, 300]}"
    return if last_response.status < 400

    assert_match %r{\Aapplication/json}, last_response.content_type, what
    assert_kind_of String, json.dig(:error, :message), what
    refute_match(/\.rb:\d|NoMethodError|undefined method/, last_response.body, what)
  end

  it "of any type in any parameter of any operation is refused in words" do
    job = start_job
    random = Random.new(12)
    SheetTrace::Operations::NAMES.names.each do |name|
      declared = SheetTrace::Operations::NAMES.fetch(name).parameters.values.map(&:plain_name)
      declared
        .product(senseless.sample(5, random: random))
        .each do |parameter, value|
          ask(:post, "/api/jobs/#{job[:id]}/previews", { name: name, parameters: { parameter => value } })

          refute_fault "#{name}, #{parameter}: #{value.inspect[0, 60]}"
        end
    end
  end

  it "of any type in the bodies of all routes is refused in words" do
    job = start_job
    id = job[:id]
    routes = %w[
      operations
      previews
      watches
      sheet.tiles
      picks/box
      picks/loop
      picks/none
      bands
      clearances
      matches
      compositions
    ]
    keys = %w[name parameters base_revision kind edge corners faces islands change axis pictures columns width_px]
    routes
      .product(senseless)
      .each do |route, value|
        ask(:post, "/api/jobs/#{id}/#{route}", keys.to_h { |key| [key, value] })

        refute_fault "#{route}: #{value.inspect[0, 60]}"
      end
    senseless.each do |value|
      ask(:post, "/api/solids", { kind: value, measures: value })

      refute_fault "solids: #{value.inspect[0, 60]}"
      ask(:patch, "/api/jobs/#{id}", { name: value })

      refute_fault "name: #{value.inspect[0, 60]}"
    end
  end

  it "in queries and paths is refused in words" do
    id = start_job[:id]
    values = ["", "x", "-1", "1e9", "99999999999999999999999", "[]", "%00", "a[b]=1", "1,2,x"]
    paths = %w[
      preflight
      pieces
      symmetry
      map
      borders
      worst_faces
      sheet.tiles
      model.png
      thumbnail.png
      trace.png
      kept_maps/9
      arrays/nothing
      arrays/points
      underlays/7.png
      underlays/x/swap
      pictures/zzz
      landmarks/next
      nothing
    ]
    paths
      .product(values)
      .each do |path, value|
        ask(
          :get,
          "/api/jobs/#{id}/#{path}?revision=#{value}&width_px=#{value}&islands=#{value}&island=#{value}&by=#{value}"
        )

        refute_fault "#{path} #{value}"
      end
    [
      "/api/jobs/%FF%FE",
      "/api/jobs/#{id}%00",
      "/api/%C3%28",
      "/api/jobs/#{id}?revision=%FF",
      "/api/jobs/#{id}/../x"
    ].each do |path|
      ask(:get, path)

      assert_operator last_response.status, :>=, 400, path
      refute_fault path
    end
    %i[put delete options].each do |method|
      ask(method, "/api/jobs/#{id}/nothing")

      refute_fault method
    end
  end

  it "in names of files is made readable, or refused" do
    id = start_job[:id]
    png = Demo::TeaCaddy.pictures["caddy-front.png"]
    [
      "a%00b.png",
      "%FF%FE.png",
      "\xFF.png".b,
      "..%2F..%2Fetc%2Fpasswd",
      "%",
      "%2",
      "",
      "a\tb.png",
      "x" * 9000
    ].each do |name|
      post "/api/jobs/#{id}/pictures",
           png,
           "HTTP_X_FILE_NAME" => name,
           "HTTP_HOST" => "127.0.0.1",
           "CONTENT_TYPE" => "application/octet-stream"

      refute_fault name.inspect[0, 60]
      assert_predicate json[:pictures][0][:name], :valid_encoding? if last_response.status == 201
    end
    form = ["--x", 'Content-Disposition: form-data; name="files[]"; filename="a\u0000/../b\u0007\xFF.obj"'.b]
    form += ["Content-Type: text/plain", "", Demo::TeaCaddy.obj, "--x--", ""]
    post "/api/jobs", form.join("\r\n"), "CONTENT_TYPE" => "multipart/form-data; boundary=x", "HTTP_HOST" => "127.0.0.1"

    refute_fault "names in a form"
  end

  it "is too much where there are more than 200 files, or more than 20 MB of JSON" do
    upload_files((0..200).to_h { |i| ["part-#{i}.obj", "v 0 0 0\n"] })

    assert_failure 413, "limit", /201 files are too many at once; up to 200 are taken/
    id = start_job[:id]
    post "/api/jobs/#{id}/operations",
         "{",
         "CONTENT_LENGTH" => (21 * 1_048_576).to_s,
         "CONTENT_TYPE" => "application/json",
         "HTTP_HOST" => "127.0.0.1"

    assert_failure 413, "limit", /21 MB; at most 20 MB/
    post "/api/jobs/#{id}/operations", "[" * 10_000, "CONTENT_TYPE" => "application/json", "HTTP_HOST" => "127.0.0.1"

    assert_failure 422, "input", /not JSON/
  end

  it "from a page of another site is refused, and answers are for own pages only" do
    get "/api/jobs", {}, "HTTP_HOST" => "127.0.0.1", "HTTP_SEC_FETCH_SITE" => "cross-site"

    assert_equal 403, last_response.status
    get "/api/jobs", {}, "HTTP_HOST" => "127.0.0.1", "HTTP_SEC_FETCH_SITE" => "same-origin"

    assert_equal 200, last_response.status
    assert_equal %w[same-origin no-referrer],
                 %w[cross-origin-resource-policy referrer-policy].map { |name| last_response[name] }
    get "/", {}, "HTTP_HOST" => "127.0.0.1", "HTTP_SEC_FETCH_SITE" => "cross-site" # a link to the start page

    assert_equal 200, last_response.status
  end
end
