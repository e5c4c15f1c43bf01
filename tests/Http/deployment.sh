# A machine as good as fresh, for DeploymentTest.php: /etc, /run, /srv and what lies in /var/lib and /var/log are its own.
set -euo pipefail
program=$PWD
ip link set lo up
mount -t tmpfs tmpfs /srv
mkdir -p /srv/stemmata /srv/.of/{etc,lib,log,program,etc-work,lib-work,log-work,program-work}
laid() { mount -t overlay overlay -o "lowerdir=$1,upperdir=/srv/.of/$2,workdir=/srv/.of/$2-work" "$3"; }
laid "$program" program /srv/stemmata
laid /etc etc /etc
laid /var/lib lib /var/lib
laid /var/log log /var/log
mount -t tmpfs -o mode=755 tmpfs /run
mkdir -p /run/php /run/lock
cd /srv/stemmata
rm -rf var/cache var/log var/data
mkdir -p var/log
rm -f var/setup/cache-*

there="https://stemmata.example.org"
tell() { printf 'TOLD %s %s\n' "$1" "$(printf %s "$2" | sed -n 's/.*\(Permission denied\).*/\1/p;t;p' | tr '\n' ' ' | sed 's/  */ /g;s/ *$//;s/^--- .* --- //')"; }
status() { curl -s -o /dev/null -w '%{http_code}' --cacert /etc/ssl/certs/stemmata.pem --resolve stemmata.example.org:443:127.0.0.1 "$@" || true; }
comes() { for _ in $(seq 200); do [ "$(status "$1")" = 200 ] && return; sleep 0.2; done; }
as_nobody() { (cd / && setpriv --reuid 65534 --regid 65534 --clear-groups "$@" 2>&1) || true; }
certify() {
    openssl req -x509 -newkey rsa:2048 -nodes -days 2 -subj /CN=stemmata.example.org -addext subjectAltName=DNS:stemmata.example.org \
        -keyout /etc/ssl/private/stemmata.key -out /etc/ssl/certs/stemmata.pem 2>/dev/null
}
