# frozen_string_literal: true

# Where the gems are, for every Ruby program of the project. The same folder serves all clones.
ENV["BUNDLE_GEMFILE"] ||= File.expand_path("../Gemfile", __dir__)
ENV["BUNDLE_PATH"] ||= File.join(
  ENV.fetch("XDG_DATA_HOME") { File.join(Dir.home, ".local", "share") },
  "sheet-trace",
  "gems"
)
begin
  require "bundler/setup"
rescue Bundler::GemNotFound, Bundler::GitError
  abort "sheet-trace: the gems are not installed yet; run bin/demo or bin/test once"
end
require "bootsnap"
# What was compiled once is kept: a program starts in three quarters of the time.
Bootsnap.setup(
  cache_dir: File.join(ENV.fetch("BUNDLE_PATH"), "..", "cache"),
  development_mode: false,
  compile_cache_yaml: false
)

ENV["VIPS_WARNING"] ||= "1" # libvips' own warnings off: the readers raise errors that say more
# One processor for each piece of work: CHOLMOD would start a team of four threads at each block of a matrix.
ENV["OPENBLAS_NUM_THREADS"] ||= "1"
ENV["OMP_THREAD_LIMIT"] ||= "1"

require_relative "../lib/sheet_trace"
