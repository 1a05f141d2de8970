#!/bin/sh
# Starts Usual Drag with the Node of this computer.
if ! command -v node >/dev/null 2>&1; then
  echo "Usual Drag needs Node 20.19 or newer, which is not installed here." >&2
  exit 1
fi
USUAL_DRAG_PROGRAM="$0" exec node "$(dirname -- "$0")/usual-drag.mjs" "$@"
