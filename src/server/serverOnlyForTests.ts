// Jest maps "server-only" here: outside the bundler there is nothing to guard.
export {}
