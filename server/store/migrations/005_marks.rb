# frozen_string_literal: true

# A revision may have a name that the painter gave it.
Sequel.migration { change { alter_table(:revisions) { add_column :mark, String } } }
