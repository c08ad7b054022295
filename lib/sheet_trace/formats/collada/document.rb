# frozen_string_literal: true

module SheetTrace
  module Formats
    module Collada
      # The XML of a COLLADA file, 1.4 or 1.5, whatever its namespace: elements by id, lists of numbers.
      # Entities are refused, so that nothing outside the file is looked up and nothing inside it multiplies.
      # Source: Khronos, "COLLADA 1.5 Specification", chapter 3 (addressing by id and sid).
      class Document
        MOST_NUMBERS = 30_000_000
        LARGEST = 2**53
        private_constant :MOST_NUMBERS, :LARGEST

        # @return [String] of the file
        attr_reader :name
        # @return [Nokogiri::XML::Element]
        attr_reader :root

        # @raise [FormatError] where: { file:, line: }
        def initialize(bytes, name:)
          @name = name
          document = Nokogiri.XML(bytes) { |config| config.strict.nonet.huge }
          Fault.at(name, "XML with a DOCTYPE or entities is not read") if document.internal_subset

          document.remove_namespaces!
          @root = document.root
          Fault.at(name, "It is no COLLADA file") unless @root&.name == "COLLADA"

          @ids = {}
          @root.xpath("//*[@id]").each { |element| @ids[element["id"]] ||= element }
        rescue Nokogiri::XML::SyntaxError => e
          Fault.at(
            name,
            "the XML is broken: #{e.message.scrub.sub(/\A[\d:]*\s*(?:FATAL|ERROR):\s*/, "")}",
            where: {
              file: name,
              line: e.line
            }
          )
        end

        # @param url [String, nil] "#id"
        # @param kind [String] name of the element wanted
        # @return [Nokogiri::XML::Element]
        # @raise [FormatError] where: { file:, line: }
        def at(url, kind, from)
          found = find(url)
          found&.name == kind ? found : fail_at(from, "#{kind} #{url.inspect} is not in this file")
        end

        # @return [Nokogiri::XML::Element, nil]
        def find(url) = url&.start_with?("#") ? @ids[url.delete_prefix("#")] : nil

        # @param element [Nokogiri::XML::Element, nil] with numbers as its text
        # @return [Numo::DFloat] n; those that are no numbers raise
        def floats(element)
          words = words(element)
          return Numo::DFloat.zeros(0) if words.empty?

          Numo::DFloat.from_binary(words.map { |word| Float(word) }.pack("d*"))
        rescue ArgumentError
          fail_at(
            element,
            "#{words(element).find { |word| !Float(word, exception: false) }.inspect[0, 30]} is not a number"
          )
        end

        # @return [Numo::Int64] n
        def integers(element)
          words = words(element)
          return Numo::Int64.zeros(0) if words.empty?

          numbers = words.map { |word| Integer(word, 10, exception: false) }
          wrong = numbers.index { |number| number.nil? || number.abs > LARGEST }
          fail_at(element, "#{words[wrong].inspect[0, 30]} is not a whole number that can be meant") if wrong
          Numo::Int64.from_binary(numbers.pack("q*"))
        end

        def whole(element, attribute, default = nil)
          text = element[attribute]
          return default if text.nil? && default
          return text.to_i if text.to_s.match?(/\A\s*\d{1,9}\s*\z/)

          fail_at(element, "#{attribute} is #{text.inspect}; a whole number belongs here")
        end

        def fail_at(element, message) = Fault.at(name, message, line: element&.line)

        private

        def words(element)
          words = element ? element.text.split : []
          if words.size > MOST_NUMBERS
            raise LimitError.new(
                    "#{name}: a list of #{words.size} numbers; at most #{MOST_NUMBERS} are taken",
                    line: e.line
                  )
          end

          words
        end
      end
    end
  end
end
