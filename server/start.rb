# frozen_string_literal: true

# Starts the server: ruby --yjit server/start.rb
require_relative "../config/environment"
require "puma/cli"

Dir.chdir(File.expand_path("..", __dir__))
Puma::CLI.new(%w[--config config/puma.rb config.ru]).run
