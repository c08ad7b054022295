# frozen_string_literal: true

# A revision says which open page made it, so that undo can tell whose step it takes back.
Sequel.migration { change { alter_table(:revisions) { add_column :page, String } } }
