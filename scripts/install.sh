# Sourced by the other scripts: installs what is missing, from the lock file.
if [ ! -d node_modules ] || [ package-lock.json -nt node_modules/.package-lock.json ]; then
  echo "Installing packages…"
  npm ci --no-audit --no-fund --loglevel=error
fi
