# frozen_string_literal: true

# Those who are sent textures and models, whatever the job.
Sequel.migration do
  change do
    create_table(:receivers) do
      String :name, primary_key: true
      String :settings, null: false, text: true # JSON: options, rules
    end
  end
end
