# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives editions each a picture for one layer, by what the files are called: a file that bears an edition's name is
    # its; what is left becomes an edition of its own.
    class FillColumn < Operation
      layer
      parameter :pictures, Parameters::ListOf.new(References::Picture.new, sizes: 1..200, entry: "picture")

      def call(job)
        stack = job.artwork
        layer = stack.layer(id)
        refuse("#{layer.name} shows no picture; only what shows one is filled by files") unless picture?(layer)
        refuse("#{layer.name} is locked; unlock it first") if stack.locked?(layer)

        named = Artwork::NamedFiles.call(pictures.map(&:title), stack.editions.map(&:name))
        doubled = named.tally.find { |_, count| count > 1 }&.first
        refuse("two files are for #{doubled}: #{files_of(named, doubled).join(", ")}; leave one out") if doubled

        filled = named.zip(pictures).reduce(stack) { |state, (name, picture)| with_picture(state, name, picture) }
        change(job.with(artwork: filled), sentence(layer, named, stack))
      end

      private

      def picture?(layer) = layer.content.class.parameters.key?(:picture)
      def files_of(named, name) = named.each_index.select { |i| named[i] == name }.map { |i| pictures[i].name }

      def with_picture(stack, name, picture)
        index = stack.editions.index { |edition| edition.name == name }
        edition = (index ? stack.editions[index] : Artwork::Edition.new(name: name)).set(id, :picture, picture)
        index ? stack.replace_edition(index, edition) : stack.with(editions: stack.editions + [edition])
      end

      def sentence(layer, named, stack)
        added = (named - stack.editions.map(&:name)).size
        "#{layer.name}: #{Phrases.count(named.size, "picture")} for #{named.first(3).join(", ")}" \
          "#{" and #{named.size - 3} more" if named.size > 3}" \
          "#{", #{Phrases.count(added, "edition")} added" if added.positive?}"
      end
    end
  end
end
