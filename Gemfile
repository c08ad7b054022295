# frozen_string_literal: true

# Versions are held to those that Ruby 3.1 takes and that install quickly; see docs/architecture.md.
source "https://rubygems.org"

# core
gem "bootsnap", "~> 1.18", require: false
gem "cairo", "~> 1.18"
gem "msgpack", "~> 1.7"
gem "nokogiri", "~> 1.17.2"
gem "numo-narray-alt", "~> 0.9"
gem "pqueue", "~> 2.2"
gem "ruby-vips", "~> 2.3"
gem "rubyzip", "~> 2.4"
gem "ttfunk", "~> 1.8"
gem "zeitwerk", "~> 2.6.18"

# command line
gem "thor", "~> 1.3"

# server
gem "listen", "~> 3.9"
gem "lru_redux", "~> 1.1"
gem "nio4r", "~> 2.7"
gem "puma", "~> 6.6"
gem "rackup", "~> 2.3"
gem "sequel", "~> 5.110"
gem "sinatra", "~> 4.2"
gem "sinatra-contrib", "~> 4.2"
gem "sqlite3", "~> 1.7.3"

# held at the versions that ship with Ruby 3.1, so that nothing compiles
gem "bigdecimal", "3.1.1"
gem "json", "2.6.1"
gem "racc", "1.6.0"

group :development, :test do
  gem "axe-core-capybara", "~> 4.10"
  gem "capybara", "~> 3.40"
  gem "minitest", "~> 5.25"
  gem "rack-test", "~> 2.1"
  gem "rake", "~> 13.0"
  gem "rubocop", "~> 1.74.0"
  gem "rubocop-ast", "~> 1.42.0"
  gem "rubocop-minitest", "~> 0.37.0"
  gem "rubocop-sequel", "~> 0.3.7"
  gem "selenium-webdriver", "~> 4.30"
  gem "syntax_tree", "~> 6.2"
end
