#!/bin/sh
# Installs the packages of the lock file when they are not those that are there already.
set -eu
if [ ! -f node_modules/.skelto-lock ] || ! cmp -s package-lock.json node_modules/.skelto-lock; then
  npm ci --no-audit --no-fund --ignore-scripts
  cp package-lock.json node_modules/.skelto-lock
fi
