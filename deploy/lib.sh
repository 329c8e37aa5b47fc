# What installing, upgrading and going back share.
root=/srv/nimble-junction
data=$root/data
database=$data/app/junction/shows.sqlite
history=$root/upgrades

fail() {
  echo "$*" >&2
  exit 1
}
version_of() { cat "$1/VERSION" 2>/dev/null || true; }
as_web() { runuser -u www-data -- "$@"; }
# Where no service manager runs (in a container), whoever starts the services restarts them.
has_manager() { [ -d /run/systemd/system ]; }
manager() {
  if has_manager; then systemctl "$@"; fi
}
agree() {
  [ "${yes:-no}" = no ] || return 0
  printf 'Go on? [y/N] '
  local answer
  read -r answer || answer=
  case "$answer" in y | Y | yes) ;; *) fail "Nothing was changed." ;; esac
}
switch_to() {
  ln -sfn "$1" "$root/current.next"
  mv -T "$root/current.next" "$root/current"
}
# Its services, its site, its pool; and the web server and PHP are begun again as the engine is.
put_services_of() {
  local release=$1 unit
  cp "$release/deploy/php-fpm.conf" /etc/php/8.2/fpm/pool.d/nimble-junction.conf
  cp "$release/deploy/nginx.conf" /etc/nginx/sites-available/nimble-junction
  mkdir -p /etc/systemd/system
  cp "$release"/deploy/*.service "$release"/deploy/*.timer /etc/systemd/system/
  [ -f "$release/deploy/begun-again.conf" ] || return 0
  for unit in nginx php8.2-fpm; do
    mkdir -p "/etc/systemd/system/$unit.service.d"
    cp "$release/deploy/begun-again.conf" "/etc/systemd/system/$unit.service.d/nimble-junction.conf"
  done
}
restart() {
  manager daemon-reload
  manager reload-or-restart php8.2-fpm
  manager restart nimble-junction-engine
  manager reload-or-restart nginx
  has_manager || echo "No service manager runs here: restart php8.2-fpm, nginx and the engine yourself."
}
