#!/bin/sh
# Is this node one of most, and has it everything that the others have? Called by haproxy: proxy address, proxy port, node's address, node's port.
# Of a node that stands in for those (its name ends with -alone) it is enough that it answers.
# The account needs no rights at all; its name and password stand in check.cnf beside this file.
here=$(dirname "$0")
state=$(timeout 1 mariadb --defaults-file="$here/check.cnf" --protocol=tcp --host="$3" --port="$4" \
  --connect-timeout=1 --skip-column-names --batch \
  --execute="SHOW STATUS WHERE Variable_name IN ('wsrep_ready', 'wsrep_local_state')") || exit 1
case "$HAPROXY_SERVER_NAME" in *-alone) exit 0 ;; esac
# 4: synced; 2: gives another one its data, and is as good.
echo "$state" | grep -q 'wsrep_ready	ON' && echo "$state" | grep -Eq 'wsrep_local_state	(2|4)$'
