# frozen_string_literal: true

# Folders that other programs save into, and what came of each file.
Sequel.migration do
  change do
    create_table(:exchanges) do
      foreign_key :job_id, :jobs, type: String, primary_key: true, on_delete: :cascade
      String :folder, null: false, unique: true
    end
    create_table(:exchange_files) do
      foreign_key :job_id, :jobs, type: String, null: false, on_delete: :cascade
      String :path, null: false
      String :digest
      String :state, null: false
      String :message, null: false
      DateTime :came_at, null: false
      primary_key %i[job_id path]
    end
  end
end
