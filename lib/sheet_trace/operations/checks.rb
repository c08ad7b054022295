# frozen_string_literal: true

module SheetTrace
  module Operations
    # Tests of parameters that several operations share. Each gives a problem in words, or nil.
    module Checks
      module_function

      def island(job, index)
        return if index.is_a?(Integer) && index.between?(0, job.layout.uv_map.island_count - 1)

        "there is no island #{index.inspect}; the job has #{job.layout.uv_map.island_count}, counted from 0"
      end

      def islands(job, indices)
        return "no island is picked; pick one first" unless indices.is_a?(Array) && indices.any?

        indices.filter_map { |index| island(job, index) }.first
      end

      def faces(job, indices)
        return "no face is named" unless indices.is_a?(Array) && indices.any?

        stranger = indices.find { |face| !face.is_a?(Integer) || !face.between?(0, job.mesh.face_count - 1) }
        "there is no face #{stranger.inspect}; the model has #{job.mesh.face_count}, counted from 0" if stranger
      end

      def edges(job, indices)
        return "no edge is picked; pick some first" unless indices.is_a?(Array) && indices.any?

        count = job.mesh.edges.uses.size
        stranger = indices.find { |edge| !edge.is_a?(Integer) || !edge.between?(0, count - 1) }
        "there is no edge #{stranger.inspect}; the model has #{count}, counted from 0" if stranger
      end

      def vertices(job, indices)
        count = job.mesh.vertex_count
        stranger = indices.is_a?(Array) ? indices.find { |vertex| !vertex.is_a?(Integer) || !vertex.between?(0, count - 1) } : indices
        "there is no corner #{stranger.inspect}; the model has #{count}, counted from 0" unless stranger.nil?
      end

      def entry(index, list, what)
        "there is no #{what} #{index.inspect}; there are #{list.size}, counted from 0" unless index.is_a?(Integer) && index.between?(0, list.size - 1)
      end

      def taken(name, names, own, what)
        other = name.is_a?(String) && names.index(name.strip)
        "another #{what} is called #{name.strip.inspect}; give each a name of its own" if other && other != own
      end

      def layer(job, id)
        "there is no layer #{id.inspect}; it may have been removed" unless job.edition.layer(id)
      end

      def number(value, what, range)
        return if value.is_a?(Numeric) && value.to_f.finite? && range.cover?(value)

        "#{what} is #{value.inspect}; give a number from #{plain(range.begin)} to #{plain(range.end)}"
      end

      def one_of(value, what, names)
        "#{what} is #{value.inspect}; give #{names.join(", ")}" unless names.include?(value)
      end

      def flag(value, what)
        "#{what} is #{value.inspect}; give true or false" unless [true, false].include?(value)
      end

      # Three numbers, or nothing.
      def triple(value, what)
        return if value.nil? || (value.is_a?(Array) && value.size == 3 && value.all? { |part| part.is_a?(Numeric) && part.to_f.finite? })

        "#{what} is #{value.inspect}; give three numbers"
      end

      # Three numbers that point somewhere, or nothing.
      def vector(value, what, required: false)
        return "#{what} is missing; give three numbers, not all 0" if value.nil? && required

        triple(value, what) || (value&.all? { |part| part.abs < 1e-9 } ? "#{what} is #{value.inspect}; give three numbers, not all 0" : nil)
      end

      def optional(value, what, range) = value.nil? ? nil : number(value, what, range)

      def text(value, what, longest = 80)
        return if value.is_a?(String) && !value.strip.empty? && value.size <= longest

        "#{what} is #{value.inspect.slice(0, 60)}; give 1 to #{longest} characters"
      end

      # @param size [Array(Integer, Integer)] that a sheet shall have
      # @return [Array<String>]
      def sheet(size)
        Layout::Sheet.new(width_px: size[0], height_px: size[1])
        []
      rescue InputError => e
        ["the sheet can't be as large as the picture: #{e.message}"]
      end

      def unlocked(job, underlay)
        "#{job.backdrop.underlays[underlay].name} is locked; unlock it first" if job.backdrop.underlays[underlay].locked
      end

      def plain(number) = number.to_i == number ? number.to_i.to_s : number.to_s
    end
  end
end
