# frozen_string_literal: true

# One process: it only passes on, and workers of its own do the work. A request that is worked on holds a thread.
environment "production"
threads 4, 32
workers 0
bind "tcp://127.0.0.1:#{ENV.fetch("SHEET_TRACE_PORT", "4690")}"
http_content_length_limit 220 * 1024 * 1024
force_shutdown_after 1
quiet
log_requests false
