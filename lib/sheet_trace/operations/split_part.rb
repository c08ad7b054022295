# frozen_string_literal: true

module SheetTrace
  module Operations
    # Splits a part into its shells, the pieces of it that hang together: each becomes a part of its own, so that a
    # lining can be hidden, and left is told from right.
    class SplitPart < Operation
      part

      def call(job)
        mesh = job.mesh
        shells = shells(mesh)
        refuse("#{mesh.parts[part]} is one shell; there is nothing to split") if shells.size < 2

        names = Mesh::NameShells.call(mesh.parts[part], shells.map { |faces| box(mesh, faces) })
        taken = mesh.parts - [mesh.parts[part]]
        names = names.map { |name| free(name, taken).tap { |own| taken << own } }
        change(job.with(layout: job.layout.with_mesh(split(mesh, shells, names))), sentence(mesh, names))
      end

      private

      # @return [Array<Numo::Int64>] faces of each shell of the part, the one of most faces first
      def shells(mesh)
        pieces = Flatten::Cut.call(mesh, Numo::Bit.zeros(mesh.edges.vertices.shape[0])).face_pieces
        own = mesh.face_parts.eq(part).where
        pieces[own]
          .to_a
          .zip(own.to_a)
          .group_by(&:first)
          .values
          .map { |rows| rows.map(&:last) }
          .sort_by { |faces| -faces.size }
      end

      def box(mesh, faces)
        wanted = Numo::Bit.zeros(mesh.face_count).tap { |bits| bits[faces] = 1 }
        places = mesh.positions[mesh.corner_vertices[wanted[mesh.corner_faces].where], true]
        [places.min(axis: 0).to_a, places.max(axis: 0).to_a]
      end

      # The first shell keeps the part's number, so that others keep theirs.
      def split(mesh, shells, names)
        face_parts = mesh.face_parts.copy
        shells.drop(1).each_with_index { |faces, i| face_parts[faces] = mesh.parts.size + i }
        parts = mesh.parts.dup.tap { |all| all[part] = names.first } + names.drop(1)
        mesh.with(face_parts: face_parts, parts: parts)
      end

      def free(name, taken) =
        [name, *(2..taken.size + 2).map { |i| "#{name} (#{i})" }].find { |own| !taken.include?(own) }

      def sentence(mesh, names)
        told = names.size > 4 ? "#{names.first(3).join(", ")} and #{names.size - 3} more" : names.join(", ")
        "#{mesh.parts[part]} split into #{Phrases.count(names.size, "shell")}: #{told}"
      end
    end
  end
end
