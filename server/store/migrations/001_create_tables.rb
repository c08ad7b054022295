# frozen_string_literal: true

Sequel.migration do
  change do
    create_table(:blobs) do
      String :digest, primary_key: true
      File :bytes, null: false
      TrueClass :deflated, null: false
    end

    create_table(:jobs) do
      String :id, primary_key: true
      String :name, null: false
      Time :created_at, null: false
      Time :updated_at, null: false
      Integer :revision_id # the revision that is shown; later ones can be redone
    end

    create_table(:revisions) do
      primary_key :id
      foreign_key :job_id, :jobs, type: String, null: false, on_delete: :cascade
      Integer :number, null: false
      String :description, null: false
      String :operation, text: true, null: false
      String :document, text: true, null: false
      Time :created_at, null: false
      unique %i[job_id number]
    end

    create_table(:pictures) do
      foreign_key :job_id, :jobs, type: String, null: false, on_delete: :cascade
      String :digest, null: false
      String :name, null: false
      String :media_type, null: false
      Integer :width_px, null: false
      Integer :height_px, null: false
      primary_key %i[job_id digest]
    end

    create_table(:blob_uses) do
      foreign_key :job_id, :jobs, type: String, null: false, on_delete: :cascade
      String :digest, null: false, index: true
      primary_key %i[job_id digest]
    end
  end
end
