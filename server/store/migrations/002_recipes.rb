# frozen_string_literal: true

require_relative "../former_steps"

# Jobs keep the files of their model, and steps are kept as recipes have them.
Sequel.migration do
  up do
    create_table(:model_files) do
      foreign_key :job_id, :jobs, type: String, null: false, on_delete: :cascade
      Integer :position, null: false
      String :name, null: false
      String :digest, null: false
      primary_key %i[job_id position]
    end

    from(:revisions)
      .select(:id, :operation)
      .each do |row|
        renewed = JSON.generate(SheetTraceServer::Store::FormerSteps.renewed(JSON.parse(row[:operation])))
        from(:revisions).where(id: row[:id]).update(operation: renewed) if renewed != row[:operation]
      end
  end

  down { drop_table(:model_files) }
end
