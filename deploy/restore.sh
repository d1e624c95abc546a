#!/bin/sh
# Puts a backup into an empty data folder: restore.sh BACKUP DATA. Nothing is written over. Whose the data is to be may stand in AC_OWNER (mysql).
set -eu
from=${1:?which backup} into=${2:?which data folder}
[ -f "$from/SHA256SUMS" ] || { echo "$from is no finished backup: it has no SHA256SUMS" >&2; exit 1; }
[ -z "$(ls -A "$into" 2>/dev/null)" ] || { echo "$into is not empty: nothing is written over" >&2; exit 1; }
(cd "$from" && sha256sum --check --quiet SHA256SUMS) || { echo "$from is not what was put aside" >&2; exit 1; }
mariadb-backup --no-defaults --copy-back --target-dir="$from" --datadir="$into" >"$into.restore.log" 2>&1
chown -R "${AC_OWNER:-mysql}" "$into"
echo "Start it as the first node (--wsrep-new-cluster); the others, with empty folders, take all of it from there. Then: npm run audit"
