#!/usr/bin/env bash
# Builds web/dist, only when something it is made from has changed.
set -euo pipefail
cd "$(dirname "$0")"
# one at a time: whoever comes second finds it built
exec 9<build.sh
flock 9
now=$( (node -v; cat package.json package-lock.json openapi.json index.html vite.config.ts worker.mjs tsconfig.json ../NOTICE ../LICENSE ../docs/licences/*; find src public -type f ! -name 'schema.d.ts' | LC_ALL=C sort | xargs -r sha256sum) | sha256sum | cut -d' ' -f1)
if [ -f dist/.stamp ] && [ "$(cat dist/.stamp)" = "$now" ]; then echo "web: unchanged"; exit 0; fi
lock=$(sha256sum package-lock.json | cut -d' ' -f1)
if [ "$(cat node_modules/.lockstamp 2>/dev/null || true)" != "$lock" ]; then
  npm ci --no-audit --no-fund --prefer-offline
  echo "$lock" > node_modules/.lockstamp
fi
npm run --silent types
npm run --silent build
node worker.mjs
# what the reader of PDF files loads when a file needs it: scans, and fonts that are not in the file
mkdir -p dist/pdf
pdf=node_modules/pdfjs-dist
cp $pdf/wasm/{jbig2,openjpeg,qcms_bg}.wasm $pdf/wasm/LICENSE_{JBIG2,OPENJPEG,QCMS} dist/pdf/
cp $pdf/standard_fonts/Foxit* $pdf/standard_fonts/LICENSE_FOXIT dist/pdf/
# one source for what is said of the works of others
cp ../NOTICE dist/notice.txt
mkdir -p dist/licences
cp ../LICENSE ../docs/licences/*.txt dist/licences/
find dist -type f -size +1k \( -name "*.js" -o -name "*.mjs" -o -name "*.css" \) -exec gzip -9 -k -f {} +
echo "$now" > dist/.stamp
