# frozen_string_literal: true

require_relative "app"

module SheetTraceServer
  # The files that are made from what operations, picks and answers declare: `rake api` writes them, and a test fails
  # when they are stale.
  module ApiFiles
    MARK = "// Made by `rake api` from the declarations of the core and the server; not to be changed by hand."
    private_constant :MARK

    # @return [Hash{String => String}] path in the project => content
    def self.all =
      {
        "docs/operations.md" => SheetTrace::Operations::Reference.markdown,
        "web/src/api/operations.ts" => operations,
        "web/src/api/answers.ts" => answers
      }

    def self.operations
      ways = SheetTrace::Pick::WAYS.names.map { |way| "  #{way}: #{typescript(SheetTrace::Pick::WAYS.fetch(way))};" }
      [
        MARK,
        "",
        SheetTrace::Operations::Reference.typescript,
        "",
        "/** What each way to pick is given. */",
        "export interface Picks {",
        *ways,
        "}",
        "",
        "/** How a template is drawn, and what of the sheet and how it is written. */",
        "export type TemplateOptions = #{typescript(SheetTrace::Trace::Template)};",
        "export type DeliveryOptions = #{typescript(SheetTrace::Job::Deliver)};",
        "export type ReceiverRules = #{typescript(SheetTrace::Job::ReceiverRules)};",
        "export type Receiver = #{typescript(SheetTrace::Job::Receiver)};",
        "export type PrintOptions = #{typescript(SheetTrace::Job::PrintFile)};",
        "export type TemplateFile = #{typescript(SheetTrace::Job::TemplateFile)};",
        "",
        %(export type Assignment = Operations["set_into_cells"]["assignments"][number];),
        %(export type CorrectionStep = Operations["correct_underlay"]["recipe"][number];),
        "",
        "/** How many landmarks each kind of fit takes at least. */",
        "export const FEWEST_LANDMARKS = #{JSON.generate(SheetTrace::Fit::PointPairs::KINDS)} as const;",
        "/** Limits that are told before something is tried. */",
        "export const LIMITS = #{JSON.generate(limits)} as const;",
        ""
      ].join("\n")
    end

    # @return [Hash] sides of a sheet and width of a trace's lines, least and most; how much islands may be stretched
    #   by tag, and differ in density as a share; fonts of lettering; blend modes; what drawings lose by format
    def self.limits
      {
        side_px: SheetTrace::Layout::Sheet::SIDE_PX.minmax,
        template_side_px: SheetTrace::Layout::Sheet::TEMPLATE_PX.minmax,
        line_px:
          SheetTrace::Trace::Template.parameters.fetch(:line_px).type.range.then { |range| [range.begin, range.end] },
        stretch: SheetTrace::Check::Stretch::LIMITS,
        density: SheetTrace::Check::Density::TOLERANCE,
        fonts: SheetTrace::Artwork::Font::FILES.keys,
        losses: SheetTrace::Job::Deliver::LOSSES,
        blend: SheetTrace::Artwork::Blend::MODES.keys,
        companions: SheetTrace::Trace::Companions::KINDS.keys,
        drawings: SheetTrace::Formats::Drawings::KINDS.transform_values { |kind| kind[:loses] }
      }
    end
    private_class_method :limits

    def self.answers
      [
        MARK,
        %(import type { Assignment, OperationName, Receiver } from "./operations";),
        "",
        "/** What the server's JSON holds. Lengths carry their unit in the name; angles are degrees. */",
        "",
        *Json::Shapes.records.flat_map { |record| [record.declaration, ""] },
        "export type ArrayName =",
        *Json::Arrays::NAMES.map { |name| %(  | "#{name}") }
      ].join("\n").concat(";\n")
    end

    def self.typescript(declared) =
      SheetTrace::Parameters::Record.of(declared).typescript.sub("{  }", "Record<string, never>")
    private_class_method :operations, :answers, :typescript
  end
end
