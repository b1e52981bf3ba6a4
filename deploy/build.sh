#!/bin/sh
# Builds Coiled Strand where it lies, so that it starts without the network. Needs Node.js 20.12 or newer and npm.
set -eu
cd "$(dirname "$0")/.."
node scripts/build.mjs
