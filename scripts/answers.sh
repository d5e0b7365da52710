#!/usr/bin/env bash
# Works the demo's plans out anew and keeps them in demo/answers.json, on a cluster of its own.
set -euo pipefail
cd "$(dirname "$0")/.."
dir=$(mktemp -d /tmp/blendt-answers.XXXXXX)
chmod 755 "$dir"
trap 'bash scripts/cluster.sh stop "$dir/cluster"; rm -rf "$dir"' EXIT
bash scripts/cluster.sh create "$dir/cluster"
bash scripts/cluster.sh start "$dir/cluster"
DATABASE_URL=$(bash scripts/cluster.sh url "$dir/cluster")
export DATABASE_URL
npx --no-install tsx scripts/migrate.ts
# What was answered by earlier code would be taken for right.
echo "{}" >demo/answers.json
npx --no-install tsx scripts/seed.ts --keep-answers
npx --no-install prettier --check demo/answers.json >/dev/null 2>&1 || true
