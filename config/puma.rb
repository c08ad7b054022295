# frozen_string_literal: true

# One process, as its memory keeps open jobs; an open page holds a thread for its events.
threads 4, 32
workers 0
bind "tcp://127.0.0.1:#{ENV.fetch("SHEET_TRACE_PORT", "4690")}"
http_content_length_limit 220 * 1024 * 1024
force_shutdown_after 1
quiet
log_requests false
