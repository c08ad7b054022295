# frozen_string_literal: true

require_relative "server_test_case"

describe "a map that was set aside, looked at" do
  include ServerTestCase

  it "gives the art and the arrays as they were on it, and changes nothing" do
    job = change(start_job, "keep_map", name: "As it came")
    brought = upload("/api/jobs/#{job[:id]}/pictures", Demo::TeaCaddy.pictures["caddy-front.png"], "front.png")
    job = change(job, "place_picture", picture: brought[:pictures][0][:digest], island: 0)
    job = change(job, "lay_flat")
    bytes =
      lambda do |path|
        get "/api/jobs/#{job[:id]}/#{path}revision=#{job[:revision]}", {}, "HTTP_HOST" => "127.0.0.1"
        [last_response.status, last_response.body]
      end
    points = %w[arrays/points?kept=0& arrays/points?].map { |path| bytes.call(path)[1].bytesize / 8 }

    assert_equal [24, 14], points
    worn = %w[worn.png?kept=0& worn.png?].map { |path| bytes.call(path) }

    assert_equal([200, 200], worn.map(&:first))
    refute_equal(*worn.map { |_status, png| Zlib.crc32(png) })
    assert_equal 404, bytes.call("worn.png?kept=7&")[0]
    assert_equal job[:revision], ask(:get, "/api/jobs/#{job[:id]}")[:revision]
  end
end
