# frozen_string_literal: true

require_relative "server_test_case"

describe "receivers on the server" do
  include ServerTestCase

  harbour = { name: "Harbour", options: { format: "glb", alpha: "drop" }, rules: { largest_px: 1024 } }
  names = ->(answer) { answer[:receivers].map { |own| own[:name] } }
  define_method(:keep) { |receiver| ask(:post, "/api/receivers", receiver) }

  it "are kept for all jobs, the last of a name, until they are removed" do
    keep({ name: "Lantern club" })
    keep(harbour)
    keep(harbour.merge(rules: { largest_px: 2048 }))
    restart
    ask(:get, "/api/receivers")

    assert_equal ["Harbour", "Lantern club"], names.call(json)
    assert_equal ["glb", "drop", 2048],
                 json[:receivers][0].then { |own|
                   [*own[:options].values_at(:format, :alpha), own[:rules][:largest_px]]
                 }
    ask(:delete, "/api/receivers/Lantern%20club")

    assert_equal ["Harbour"], names.call(json)
    ask(:delete, "/api/receivers/Nobody")

    assert_equal [404, "there is no receiver of the name Nobody"], [last_response.status, json[:error][:message]]
  end

  it "go out as a file, and in again" do
    keep(harbour)
    ask(:get, "/api/receivers.json")
    file = last_response.body

    assert_match(/attachment; filename="receivers\.json"/, last_response["content-disposition"])
    ask(:delete, "/api/receivers/Harbour")

    assert_equal ["Harbour"], names.call(upload("/api/receivers.json", file, "receivers.json"))
    upload("/api/receivers.json", "{}", "mine.json")

    assert_equal [422, "mine.json holds no receivers; take a file that was saved here"],
                 [last_response.status, json[:error][:message]]
  end

  it "are refused in words where something is wrong with them" do
    keep(harbour.merge(options: { format: "stl" }))

    assert_equal 422, last_response.status
    assert_match(/format is "stl"/, json[:error][:message])
  end
end
