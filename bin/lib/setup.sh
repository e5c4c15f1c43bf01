# Sets up whatever is missing; sourced by bin/start, bin/test and bin/bench. Each step is skipped when its inputs are as they were.

cd "$(dirname "${BASH_SOURCE[0]}")/../.."
export APP_ENV="${APP_ENV:-prod}"

say() { printf '%s\n' "$*" >&2; }

# Runs a step unless the files it depends on are the same as when it last succeeded.
# usage: once NAME "FILES" COMMAND…
once() {
    local name=$1 files=$2 stamp="var/setup/$1" sum
    shift 2
    mkdir -p var/setup
    # shellcheck disable=SC2086
    sum=$(find $files -type f -print0 | sort -z | xargs -0 sha1sum | sha1sum)
    [ "$(cat "$stamp" 2>/dev/null)" = "$sum" ] && return 0
    say "Setting up: $name …"
    if ! "$@" >"var/setup/$name.log" 2>&1; then
        say "Setting up “$name” failed; the end of var/setup/$name.log says:"
        tail -n 20 "var/setup/$name.log" >&2
        exit 1
    fi
    printf '%s' "$sum" >"$stamp"
}

# usage: debian_packages NAME…
debian_packages() {
    local missing=()
    for package in "$@"; do
        dpkg-query -W -f '${Status}' "$package" 2>/dev/null | grep -q 'install ok installed' || missing+=("$package")
    done
    [ ${#missing[@]} -eq 0 ] && return 0
    if [ "$(id -u)" -ne 0 ]; then
        say "These Debian packages are missing. Run, and then start again:"
        say "  sudo apt-get update && sudo apt-get install --no-install-recommends ${missing[*]}"
        exit 1
    fi
    say "Installing Debian packages: ${missing[*]} …"
    mkdir -p var/setup
    if ! { apt-get update && DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends "${missing[@]}"; } >var/setup/debian.log 2>&1; then
        tail -n 20 var/setup/debian.log >&2
        exit 1
    fi
}

# All that tests need beside what serving needs: readers of other people's, and their books (tests/Format/Foreign).
TEST_PACKAGES=(poppler-utils qpdf chromium-headless-shell unicode-data pandoc python3-docx python3-odf debian-policy developers-reference debian-faq debian-history debmake-doc git-doc bash-doc python-jinja2-doc python-markdown-doc nginx php8.2-fpm openssl curl procps iproute2)

need_node() {
    if ! command -v node >/dev/null || [ "$(node -p 'process.versions.node.split(".")[0]')" -lt 20 ]; then
        say "Stemmata needs Node.js 20 or newer with npm to build its screens; install it and start again."
        exit 1
    fi
}

# Composer keeps no lock here, so config/php-packages.txt holds what depends on what at one version each.
# usage: install_php_packages [--no-dev]
install_php_packages() {
    local held
    mapfile -t held < <(sed -E 's/^([^ ]+) v?([^ ]+).*/--with=\1:\2/' config/php-packages.txt)
    composer update --no-interaction --no-progress "${held[@]}" "$@"
    php bin/lib/check-packages.php "$@"
}
# Not “npm ci”: it refuses a lock file without the packages of other platforms, which not every registry copy holds.
install_node_packages() { npm install --no-save --no-audit --no-fund; }
build_screens() { npx vite build; }
warm_up() { rm -rf "var/cache/$APP_ENV" && php bin/console cache:warmup --no-interaction; }

# usage: set_up [with-tests]
set_up() {
    mkdir -p var
    debian_packages php8.2-cli php8.2-sqlite3 php8.2-intl php8.2-xml php8.2-mbstring php8.2-curl php8.2-zip php8.2-gmp php8.2-gd composer unzip fonts-noto-core fonts-noto-cjk fonts-noto-color-emoji fonts-opendyslexic
    need_node
    # What runs the tests is not needed for serving; a machine that has it keeps it.
    if [ "${1:-}" = with-tests ] || [ -f var/setup/php-packages-with-tests ]; then
        once php-packages-with-tests "composer.json config/php-packages.txt" install_php_packages
    else
        once php-packages "composer.json config/php-packages.txt" install_php_packages --no-dev
    fi
    once node-packages "package.json package-lock.json" install_node_packages
    once screens "frontend package-lock.json vite.config.ts tsconfig.json" build_screens
    once cache-"$APP_ENV" "src config composer.json" warm_up
}

# Which state of the program this is.
version() { git rev-parse --short HEAD 2>/dev/null || sha1sum composer.json | cut -c1-8; }

# Brings the database in STEMMATA_DATA up to date; says on its exit whether it was new.
# usage: prepare_data DIR
prepare_data() {
    mkdir -p "$1"
    STEMMATA_DATA=$(cd "$1" && pwd)
    export STEMMATA_DATA
    php bin/console doctrine:migrations:migrate --no-interaction --quiet --allow-no-migration
}

# The settings every way of serving needs.
PHP_SETTINGS=(-d memory_limit=2G -d post_max_size=256M -d opcache.enable=1 -d opcache.enable_cli=1 -d opcache.validate_timestamps=0 -d display_errors=0 -d log_errors=1)
