#!/usr/bin/env bash
# Works the demo's plans and pictures out anew and keeps them in demo/answers.json and demo/colourings/, on a cluster of its own.
set -euo pipefail
cd "$(dirname "$0")/.."
dir=$(mktemp -d /tmp/blendt-answers.XXXXXX)
chmod 755 "$dir"
trap 'bash scripts/cluster.sh stop "$dir/cluster"; rm -rf "$dir"' EXIT
bash scripts/cluster.sh create "$dir/cluster"
bash scripts/cluster.sh start "$dir/cluster"
DATABASE_URL=$(bash scripts/cluster.sh url "$dir/cluster")
# The app's role may not make tables.
DATABASE_OWNER_URL=$(bash scripts/cluster.sh owner-url "$dir/cluster")
export DATABASE_URL DATABASE_OWNER_URL
npx --no-install tsx scripts/migrate.ts
# What is kept of another build of the computation counts for nothing; what is of this one stays.
npx --no-install tsx scripts/seed.ts --keep-answers
npx --no-install prettier --write demo/answers.json >/dev/null
