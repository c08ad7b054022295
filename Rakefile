# frozen_string_literal: true

require "etc"
require "minitest/test_task"
require "open3"

Minitest::TestTask.create(:test) { |task| task.test_globs = ["test/{lib,cli,server,demo}/**/*_test.rb"] }

# @return [Array<Array<String>>] so many shares of about the same size
def shares(paths, count)
  shares = Array.new(count) { [] }
  paths
    .sort_by { |path| -File.size(path) }
    .each { |path| shares.min_by { |share| share.sum { |own| File.size(own) } } << path }
  shares
end

# @return [String] the command that runs test files in one process
def testing(paths)
  "bundle exec ruby --yjit -Ilib -Itest -e 'ARGV.each { |path| require \"./\#{path}\" }' #{paths.join(" ")}"
end

CORE = shares(Dir["test/lib/**/*_test.rb"], 3)
BROWSER = shares(Dir["test/browser/*_test.rb"], 2)

# The parts of bin/test: first what does without the front end, then the longest first. Each says how long it took, and
# what it has to say where it failed. Those of one process are shares, so that no processor is left without at the end.
PARTS = {
  "style" => "bundle exec ruby --yjit -S rubocop --format quiet",
  "core 1" => testing(CORE[0]),
  "browser 1" => testing(BROWSER[0]),
  "browser 2" => testing(BROWSER[1]),
  "programs" => testing(Dir["test/{cli,server,demo}/**/*_test.rb"]),
  "core 2" => testing(CORE[1]),
  "core 3" => testing(CORE[2]),
  "types" => "cd web && npm run --silent check",
  "front" => "cd web && npm test --silent",
  "lint" => "cd web && npm run --silent lint"
}.freeze
WITHOUT_FRONT_END = ["style", "core 1", "core 2", "core 3"].freeze

# Parts run beside each other, so libvips' own threads only add to the work; and Ruby looks through all of its objects
# once for so many bytes of images.
SETTINGS = {
  "VIPS_CONCURRENCY" => "1",
  "RUBY_GC_MALLOC_LIMIT" => (64 << 20).to_s,
  "RUBY_GC_MALLOC_LIMIT_MAX" => (128 << 20).to_s,
  "RUBY_GC_OLDMALLOC_LIMIT" => (128 << 20).to_s,
  "RUBY_GC_OLDMALLOC_LIMIT_MAX" => (256 << 20).to_s
}.freeze

# So many more parts than processors are run at a time, as browser tests wait much; with more, each takes longer.
LANES_BEYOND = 1

# @return [Boolean] whether it passed
def pass?(name, command = PARTS.fetch(name))
  started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  output, status = Open3.capture2e(SETTINGS, command)
  seconds = (Process.clock_gettime(Process::CLOCK_MONOTONIC) - started).round
  puts format("%-12s %4d s  %s", name, seconds, status.success? ? output[/^\d+ runs.*/] : "FAILED\n#{output}")
  status.success?
end

desc "Run everything, parts beside each other"
task :all do
  front_end = Thread.new { pass?("build", "bash -c 'source script/setup.sh; install_npm_packages; build_front_end'") }
  parts = Queue.new(PARTS.keys).close
  lanes =
    Array.new(Etc.nprocessors + LANES_BEYOND) do
      Thread.new do
        passed = []
        while (name = parts.pop)
          passed << ((WITHOUT_FRONT_END.include?(name) || front_end.value) && pass?(name))
        end
        passed.all?
      end
    end
  abort unless lanes.map(&:value).all?
end

desc "Make docs/operations.md and the front end's types from what the core and the server declare"
task :api do
  ruby "-e",
       'require "./server/api_files"; SheetTraceServer::ApiFiles.all.each { |path, content| File.write(path, content) }'
end

desc "Read spoilt files for long: other ones every time, or those of FUZZ_SEED"
task :fuzz do
  seed = ENV.fetch("FUZZ_SEED") { Random.new_seed % 1_000_000 }.to_s
  puts "FUZZ_SEED=#{seed}"
  sh(
    { "FUZZ_SEED" => seed, "FUZZ_ROUNDS" => "20000" },
    "bundle exec ruby --yjit -Ilib -Itest test/lib/sheet_trace/formats/fuzz_test.rb",
    verbose: false
  )
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

desc "Try the server hard: how it answers beside long work, with many pages and writers, killed, and on a full disk"
task :stress do
  Dir["bench/stress/*.rb"]
    .reject { |path| path.end_with?("/load.rb") }
    .sort
    .each do |path|
      puts "== #{File.basename(path, ".rb")}"
      system("bundle", "exec", "ruby", "--yjit", path)
    end
end

task default: :test
