#!/bin/sh
# Puts this node aside, ready to be started from, and says in the database that it did. Run it on a node that stands by, as who may read its data.
#   AC_BACKUPS   folder for backups, on another disk
#   AC_DATA      the node's data folder
#   AC_SOCKET    its socket
#   AC_LOGIN     file with [client], user and password of the account for backups
#   AC_KEEP      folder of the key that signs records, and AC_KEEP_BACKUPS where it goes: not beside the data, or one who has both can write records anew
set -eu
: "${AC_BACKUPS:?}" "${AC_DATA:?}" "${AC_SOCKET:?}" "${AC_LOGIN:?}" "${AC_KEEP:?}" "${AC_KEEP_BACKUPS:?}"
umask 077
now=$(date -u +%Y%m%dT%H%M%SZ)
began=$(date -u '+%Y-%m-%d %H:%M:%S')
into="$AC_BACKUPS/$now"
mkdir "$into" "$AC_KEEP_BACKUPS/$now"
# First what the record is known to have come to, then the record: what comes in between is more than is known, and never less.
cp -a "$AC_KEEP/." "$AC_KEEP_BACKUPS/$now/"
mariadb-backup --defaults-file="$AC_LOGIN" --backup --galera-info --datadir="$AC_DATA" --socket="$AC_SOCKET" --target-dir="$into" >"$into.log" 2>&1
mariadb-backup --prepare --target-dir="$into" >>"$into.log" 2>&1
# What is written to disk is what was read: proven again before it is put back.
(cd "$into" && find . -type f ! -name SHA256SUMS -print0 | sort -z | xargs -0 sha256sum) >"$into.sums"
mv "$into.sums" "$into/SHA256SUMS"
bytes=$(du -sb "$into" | cut -f1)
mariadb --defaults-file="$AC_LOGIN" --socket="$AC_SOCKET" --database=amber_collar --execute="
  INSERT INTO backup (node, place, bytes, began_at, ended_at)
  VALUES (IF(@@wsrep_node_name = '', @@hostname, @@wsrep_node_name), '$into', $bytes, '$began', UTC_TIMESTAMP(3))"
echo "$into"
