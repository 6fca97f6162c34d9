# build_if_older [FOLDER]: builds when a source is newer than the last build. Sourced.
build_if_older() {
  local folder=${1:-.next}
  if [ -f "$folder/BUILD_ID" ] && [ -z "$(find src package-lock.json next.config.ts postcss.config.mjs tsconfig.json -newer "$folder/BUILD_ID" -type f -print -quit 2>/dev/null)" ]; then return 0; fi
  step 'building the application (about a minute and a half the first time)'
  # Types of pages that are gone would be looked for.
  rm -rf "$folder/static" .next/types .next-test/types
  npx --no-install next build >"$data/build.log" 2>&1 || { tail -n 20 "$data/build.log" >&2; die "The application could not be built; $data/build.log says why."; }
  build_beside "$folder" >>"$data/build.log" 2>&1 || die "What runs beside the framework could not be built; $data/build.log says why."
  node bin/lib/compress.mjs "$folder" || die 'The built files could not be compressed; the lines above say why.'
}

# build_beside FOLDER: what runs beside the framework, each one file, its packages as they are installed: the door that answers
# before the framework is asked, and the work of the server's threads (src/workers/*OnServer.ts).
build_beside() {
  local entry
  for entry in src/server/eventsDoor.ts src/workers/*OnServer.ts; do
    node_modules/.bin/esbuild "$entry" --bundle --platform=node --format=esm --packages=external --alias:server-only=./src/server/serverOnlyElsewhere.ts --outfile="$1/beside/$(basename "$entry" .ts).mjs" --log-level=warning || return 1
  done
}
