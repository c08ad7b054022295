# frozen_string_literal: true

require "minitest/test_task"

Minitest::TestTask.create(:test) { |task| task.test_globs = ["test/{lib,cli,server,demo}/**/*_test.rb"] }

Minitest::TestTask.create("test:browser") do |task|
  task.test_globs = ["test/browser/**/*_test.rb"]
  task.warning = false # those of the libraries that drive the browser
end

desc "Make docs/operations.md and the front end's types from what the core and the server declare"
task :api do
  ruby "-e",
       'require "./server/api_files"; SheetTraceServer::ApiFiles.all.each { |path, content| File.write(path, content) }'
end

desc "Lay out all Ruby code, 120 columns wide"
task :format do
  sh "bundle",
     "exec",
     "stree",
     "write",
     "--print-width=120",
     *Dir["{bench,cli,config,demo,lib,script,server,test}/**/*.rb"],
     "Rakefile",
     verbose: false
end

desc "Measure speed and memory, and print a table"
task :bench do
  ruby "--yjit", "bench/run.rb"
end

task default: :test
