# frozen_string_literal: true

require_relative "../../../../test_helper"

# Sections are those of Khronos, "COLLADA - Digital Asset Schema Release 1.5.0 Specification".
describe SheetTrace::Formats::Collada::Reader do
  dae =
    lambda do |primitives, asset: "", nodes: '<node name="Plate"><instance_geometry url="#plate"/></node>', more: "", sources: ""|
      <<~XML
      <?xml version="1.0" encoding="utf-8"?>
      <COLLADA xmlns="http://www.collada.org/2005/11/COLLADASchema" version="1.4.1">
        <asset>#{asset}</asset>
        #{more}
        <library_geometries><geometry id="plate" name="Plate shape"><mesh>
          <source id="p"><float_array id="pa" count="12">0 0 0 1 0 0 1 1 0 0 1 0</float_array>
            <technique_common><accessor source="#pa" count="4" stride="3"><param name="X"/><param name="Y"/><param name="Z"/></accessor></technique_common></source>
          <source id="t"><float_array id="ta" count="8">0 0 1 0 1 1 0 1</float_array>
            <technique_common><accessor source="#ta" count="4" stride="2"><param name="S"/><param name="T"/></accessor></technique_common></source>
          #{sources}
          <vertices id="v"><input semantic="POSITION" source="#p"/></vertices>
          #{primitives}
        </mesh></geometry></library_geometries>
        <library_visual_scenes><visual_scene id="s">#{nodes}</visual_scene></library_visual_scenes>
        <scene><instance_visual_scene url="#s"/></scene>
      </COLLADA>
    XML
    end
  inputs =
    '<input semantic="VERTEX" source="#v" offset="0"/><input semantic="TEXCOORD" source="#t" offset="1" set="0"/>'
  square = "<polylist count=\"1\" material=\"m\">#{inputs}<vcount>4</vcount><p>0 0 1 1 2 2 3 3</p></polylist>"
  read = ->(xml, **beside) { SheetTrace::Formats.read_files({ "plate.dae" => xml, **beside.transform_keys(&:to_s) }) }
  faces = ->(mesh) { mesh.face_starts.to_a.each_cons(2).map { |start, stop| mesh.corner_vertices[start...stop].to_a } }

  it "keeps polygons of a polylist, with v up" do
    reading = read.call(dae.call(square))

    assert_equal [[0, 1, 2, 3]], faces.call(reading.mesh)
    assert_equal [[0, 0], [1, 0], [1, 1], [0, 1]], reading.uvs[reading.corner_uvs, true].to_a
    assert_equal ["Plate"], reading.mesh.parts
  end

  it "reads triangles, polygons, strips and fans" do
    {
      "<triangles count=\"2\">#{inputs}<p>0 0 1 1 2 2 0 0 2 2 3 3</p></triangles>" => [[0, 1, 2], [0, 2, 3]],
      "<polygons count=\"1\">#{inputs}<p>0 0 1 1 2 2 3 3</p></polygons>" => [[0, 1, 2, 3]],
      "<tristrips count=\"1\">#{inputs}<p>0 0 1 1 3 3 2 2</p></tristrips>" => [[0, 1, 3], [3, 1, 2]],
      "<trifans count=\"1\">#{inputs}<p>0 0 1 1 2 2 3 3</p></trifans>" => [[0, 1, 2], [0, 2, 3]]
    }.each do |primitives, expected|
      assert_equal expected, faces.call(read.call(dae.call(primitives)).mesh), primitives[/\w+/]
    end
  end

  # 5 <unit>: meter is the number of metres a unit has; <up_axis> Z_UP: right x, up z, in -y... here z becomes y, and
  # -y z.
  it "respects units and up axis" do
    reading = read.call(dae.call(square, asset: '<unit name="inch" meter="0.0254"/><up_axis>Z_UP</up_axis>'))

    assert_in_delta 25.4, reading.unit_mm, 1e-9
    assert_equal "z", reading.up_axis
    assert_equal [[0, 0, -1], [1, 0, 0]], reading.mesh.bounds.map { |corner| corner.map { |x| x + 0.0 } }
  end

  it "takes a metre where the file says nothing of units" do
    assert_in_delta 1000.0, read.call(dae.call(square)).unit_mm
  end

  # 5 <node>: transformations are applied in order, each to the coordinate system that the former ones made.
  it "places instances by their nodes, through instances of nodes too" do
    nodes =
      '<node name="A"><translate>5 0 0</translate><rotate>0 0 1 90</rotate><instance_geometry url="#plate"/></node>' \
        '<node name="B"><scale>2 2 2</scale><instance_node url="#shared"/></node>'
    shared =
      '<library_nodes><node id="shared"><matrix>1 0 0 0 0 1 0 -3 0 0 1 0 0 0 0 1</matrix><instance_geometry url="#plate"/></node></library_nodes>'
    mesh = read.call(dae.call(square, nodes: nodes, more: shared)).mesh
    boxes =
      [0, 1].map do |part|
        mesh.positions[mesh.corner_vertices[mesh.face_parts[mesh.corner_faces].eq(part).where], true].then do |points|
          [points.min(axis: 0).to_a, points.max(axis: 0).to_a]
        end
      end

    boxes[0].flatten.zip([4, 0, 0, 5, 1, 0]) { |got, expected| assert_in_delta expected, got, 1e-9 }
    assert_equal [[0, -6, 0], [2, -4, 0]], boxes[1]
  end

  it "reads materials with colours, and pictures through sampler and surface" do
    more = <<~XML
      <library_images><image id="img"><init_from>./my%20skin.png</init_from></image></library_images>
      <library_effects>
        <effect id="fx"><profile_COMMON><newparam sid="surf"><surface type="2D"><init_from>img</init_from></surface></newparam>
          <newparam sid="samp"><sampler2D><source>surf</source></sampler2D></newparam>
          <technique sid="c"><phong><diffuse><texture texture="samp" texcoord="UV"/></diffuse></phong></technique></profile_COMMON></effect>
        <effect id="red"><profile_COMMON><technique sid="c"><lambert><diffuse><color>1 0.5 0 1</color></diffuse></lambert></technique></profile_COMMON></effect>
      </library_effects>
      <library_materials><material id="skin" name="Skin"><instance_effect url="#fx"/></material><material id="rust"><instance_effect url="#red"/></material></library_materials>
    XML
    bind =
      lambda do |target|
        "<node name=\"#{target}\"><instance_geometry url=\"#plate\"><bind_material><technique_common>" \
          "<instance_material symbol=\"m\" " \
          "target=\"##{target}\"/></technique_common></bind_material></instance_geometry></node>"
      end
    reading =
      read.call(dae.call(square, more: more, nodes: bind.call("skin") + bind.call("rust")), "my skin.png": "png")

    assert_equal [["Skin", nil, "my skin.png"], ["rust", [1.0, 0.5, 0.0, 1.0], nil]], reading.mesh.materials.map(&:to_a)
    assert_equal({ "my skin.png" => "png" }, reading.images)
  end

  it "reads several UV sets and normals" do
    more =
      '<source id="n"><float_array id="na" count="3">0 0 2</float_array><technique_common>' \
        '<accessor source="#na" count="1" stride="3"><param name="X"/><param name="Y"/><param name="Z"/></accessor></technique_common></source>'
    polylist =
      "<polylist count=\"1\">#{inputs}<input semantic=\"TEXCOORD\" source=\"#t\" offset=\"2\" set=\"1\"/><input " \
        "semantic=\"NORMAL\" source=\"#n\" offset=\"3\"/>" \
        "<vcount>4</vcount><p>0 0 3 0 1 1 2 0 2 2 1 0 3 3 0 0</p></polylist>"
    reading = read.call(dae.call(polylist, sources: more))

    assert_equal ["TEXCOORD 0", "TEXCOORD 1"], reading.uv_sets.map(&:name)
    assert_equal [0.0, 1.0], reading.uv_sets[1].uvs[reading.uv_sets[1].corner_uvs[0], true].to_a
    assert_equal [[0.0, 0.0, 1.0]] * 4, reading.mesh.corner_normals.to_a
  end

  it "reads COLLADA 1.5, whose namespace is another" do
    assert_equal 1, read.call(dae.call(square).sub("2005/11", "2008/03").sub("1.4.1", "1.5.0")).mesh.face_count
  end

  {
    "an index out of range" => [square.sub("3 3</p>", "9 3</p>"), /has no entry 9; it has 4/],
    "a negative index" => [square.sub("3 3</p>", "-1 3</p>"), /index -1 is below 0/],
    "words for numbers" => [square.sub("3 3</p>", "x 3</p>"), /"x" is not a whole number/],
    "too few corners" => [square.sub("<vcount>4", "<vcount>5"), /vcount wants 5 corners; p has 4/],
    "a source that is not there" => [square.sub("#t", "#nowhere"), /source "#nowhere" is not in this file/]
  }.each do |what, (primitives, message)|
    it "names the line of #{what}" do
      error =
        assert_refused(SheetTrace::FormatError, { file: "plate.dae" }, message: message) do
          read.call(dae.call(primitives))
        end

      assert_kind_of Integer, error.where[:line]
    end
  end

  it "refuses cycles, entities and broken XML" do
    loop_node = '<node id="a" name="A"><instance_geometry url="#plate"/><instance_node url="#a"/></node>'

    assert_refused(SheetTrace::FormatError, message: /below itself/) { read.call(dae.call(square, nodes: loop_node)) }
    assert_refused(SheetTrace::FormatError, message: /DOCTYPE or entities/) do
      read.call(dae.call(square).sub("<COLLADA", "<!DOCTYPE x [<!ENTITY e SYSTEM \"file:///etc/passwd\">]><COLLADA"))
    end
    assert_refused(SheetTrace::FormatError, message: /XML is broken/) do
      read.call(dae.call(square).sub("</COLLADA>", ""))
    end
  end

  it "notes lines, and names what can't be placed" do
    reading = read.call(dae.call("#{square}<lines count=\"1\">#{inputs}<p>0 0 1 1</p></lines>"))

    assert_equal %w[lines_ignored], reading.notes.map(&:code)
    assert_refused(SheetTrace::FormatError, message: /<lookat> is not read/) do
      read.call(
        dae.call(square, nodes: '<node><lookat>0 0 0 0 0 1 0 1 0</lookat><instance_geometry url="#plate"/></node>')
      )
    end
  end
end
