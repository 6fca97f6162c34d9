# build_if_older: builds when a source is newer than the last build. Sourced.
build_if_older() {
  local stamp=.next/BUILD_ID
  if [ -f "$stamp" ] && [ -z "$(find src public package-lock.json next.config.ts postcss.config.mjs tsconfig.json -newer "$stamp" -type f -print -quit 2>/dev/null)" ]; then return 0; fi
  step 'building the application (about a minute and a half the first time)'
  npx next build >"$data/build.log" 2>&1 || { tail -n 20 "$data/build.log" >&2; die "The application could not be built; $data/build.log says why."; }
}
