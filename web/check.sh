#!/usr/bin/env bash
# Format, lint and types of the interface; any complaint fails.
set -euo pipefail
cd "$(dirname "$0")"
now=$( (cat package-lock.json tsconfig.json eslint.config.js one-door.js knip.json .prettierrc; find src -type f | LC_ALL=C sort | xargs sha256sum) | sha256sum | cut -d' ' -f1)
if [ "$(cat node_modules/.checked 2>/dev/null || true)" = "$now" ]; then echo "web: checked before, unchanged"; exit 0; fi
npm run --silent lint
npm run --silent check
npm run --silent unused
npm run --silent test
echo "$now" > node_modules/.checked
