# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Groups of faces that can be seen from one direction.
    module Split
      SIDES = { "six" => nil, "three" => nil, "left_right" => 0, "top_bottom" => 1, "front_back" => 2 }.freeze

      # By the box directions that faces look to most: all six, the three axes whichever way, or the two ways along
      # one axis.
      #
      # @param mesh [Mesh]
      # @param sides [String] of SIDES
      # @return [Numo::Int32] F: 0 to 5
      def self.by_direction(mesh, sides = "six")
        return Numo::Int32.cast(mesh.face_area_vectors[true, SIDES[sides]] < 0) + (2 * SIDES[sides]) if SIDES[sides]

        vectors = mesh.face_area_vectors
        axis = vectors.abs.max_index(axis: 1) - (Numo::Int64.new(mesh.face_count).seq * 3)
        toward = Numo::DFloat.zeros(mesh.face_count)
        3.times { |k| axis.eq(k).where.then { |rows| toward[rows] = vectors[rows, k] unless rows.empty? } }
        Numo::Int32.cast((axis * 2) + (sides == "three" ? 0 : Numo::Int64.cast(toward < 0)))
      end

      # Faces beside each other that lean less than a limit from the mean of their group, the largest face first.
      #
      # @param mesh [Mesh]
      # @param limit_rad [Float]
      # @return [Numo::Int32] F
      def self.by_angle(mesh, limit_rad)
        near = mesh.face_neighbours
        vectors = mesh.face_area_vectors.to_a
        order = Geometry::Vectors.lengths(mesh.face_area_vectors).sort_index.to_a.reverse
        groups = Array.new(mesh.face_count)
        count = 0
        order.each do |seed|
          next if groups[seed]

          grow(seed, count, groups, near, vectors, Math.cos(limit_rad))
          count += 1
        end
        Numo::Int32.from_binary(groups.pack("l*"))
      end

      def self.grow(seed, number, groups, near, vectors, least)
        groups[seed] = number
        mean = vectors[seed].dup
        queue = [seed]
        queue.each do |face|
          near[face].each do |other|
            next if groups[other] || cosine(mean, vectors[other]) < least

            groups[other] = number
            3.times { |k| mean[k] += vectors[other][k] }
            queue << other
          end
        end
      end

      def self.cosine(a, b)
        lengths = Math.sqrt(((a[0]**2) + (a[1]**2) + (a[2]**2)) * ((b[0]**2) + (b[1]**2) + (b[2]**2)))
        lengths.zero? ? 1.0 : ((a[0] * b[0]) + (a[1] * b[1]) + (a[2] * b[2])) / lengths
      end
      private_class_method :grow, :cosine
    end
  end
end
