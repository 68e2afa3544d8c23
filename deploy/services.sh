# The database's usual ports lie below 32768: above it the kernel hands ports to outgoing connections, and one of those may be in the way.
# Shared by bin/start and bin/test: what they need installed, and the services they start. Sourced, never run.
# Expects ROOT (the checkout) and VAR (where everything that is written at run time lives).

say() { printf '%s\n' "$*"; }
die() { printf 'ash-bench: %s\n' "$*" >&2; exit 1; }

# The data folder belongs to one at a time: whoever comes second is turned away before anything is written. The lock ends with its holder.
own_folder() {
    mkdir -p "$VAR"
    exec 9>>"$VAR/.lock"
    local who; who=$(tail -n 1 "$VAR/.lock" 2>/dev/null || echo unknown)
    flock -n 9 || die "$VAR is in use by another one that runs (process $who): stop that one, or choose another folder with ASH_VAR"
    : >"$VAR/.lock"
    echo $$ >&9
    stop_leftovers
}

# service LOG COMMAND...: runs in the background and ends with its parent, whatever ends that. Its process is in SERVICE_PID, and written
# down with the time it began, so that a later start can tell a leftover from a stranger that got the same number.
service() {
    local log=$1 tie='setpriv --pdeathsig TERM'; shift
    # A test that keeps a service past the shell that began it says so.
    [ -z "${SERVICES_OUTLIVE:-}" ] || tie=''
    setsid $tie "$@" >>"$log" 2>&1 </dev/null 9>&- &
    SERVICE_PID=$!
    mkdir -p "$VAR/run"
    echo "$SERVICE_PID $(started_at "$SERVICE_PID")" >>"$VAR/run/services"
}
started_at() { sed 's/.*) //' "/proc/$1/stat" 2>/dev/null | cut -d' ' -f20; }

# What a dead start has left running: only processes of its own list that still are what they were.
stop_leftovers() {
    local pid began
    [ -f "$VAR/run/services" ] || return 0
    while read -r pid began; do
        [ -n "$began" ] || continue
        if [ "$(started_at "$pid")" = "$began" ]; then
            say "stopping what an earlier start has left (process $pid)"
            stop_process "$pid" TERM
        elif [ ! -d "/proc/$pid" ]; then
            # The master is gone; a session of its number can only be its own.
            pkill -KILL --session "$pid" 2>/dev/null || true
        fi
    done <"$VAR/run/services"
    rm -f "$VAR/run/services"
}

# need PACKAGE COMMAND: a Debian package and the command that shows that it is there
MISSING=()
need() { command -v "$2" >/dev/null 2>&1 || [ -x "/usr/sbin/$2" ] || MISSING+=("$1"); }
need_extension() { php -m | grep -ix "$2" >/dev/null || MISSING+=("$1"); }

check_packages() { # $1: start or test
    command -v php >/dev/null || die "PHP 8.2 is not installed (Debian package php-cli)"
    command -v composer >/dev/null || die "Composer is not installed (Debian package composer)"
    command -v npm >/dev/null || die "Node.js with npm is not installed (Debian package npm)"
    PHPV=$(php -r 'echo PHP_MAJOR_VERSION.".".PHP_MINOR_VERSION;')
    need mariadb-server mariadbd
    need nginx-light nginx
    need "php$PHPV-fpm" "php-fpm$PHPV"
    need_extension "php$PHPV-mysql" pdo_mysql
    need_extension "php$PHPV-mbstring" mbstring
    need_extension "php$PHPV-xml" dom
    need_extension "php$PHPV-curl" curl
    need_extension "php$PHPV-zip" zip
    need_extension "php$PHPV-gd" gd
    if [ "$1" = test ]; then
        need chromium chromium
        need chromium-driver chromedriver
        need poppler-utils pdftotext
    fi
    [ ${#MISSING[@]} -eq 0 ] && return
    # An extension raises all packages of this PHP together, so the command line's own comes with it.
    local packages="php$PHPV-cli ${MISSING[*]}"
    [ "$(id -u)" -eq 0 ] || die "packages are missing; run: sudo apt-get install -y $packages"
    say "installing $packages"
    mkdir -p "$VAR/log"
    local until=$((SECONDS + 120)) waited=''
    until { apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends $packages; } >"$VAR/log/apt.log" 2>&1; do
        grep -q 'Could not get lock\|Unable to acquire\|is held by process' "$VAR/log/apt.log" && [ $SECONDS -lt $until ] \
            || die "Debian packages could not be installed; see $VAR/log/apt.log"
        [ -n "$waited" ] || say "another program is installing packages: waiting up to two minutes"
        waited=yes
        sleep 2
    done
}

# stale NAME FILE...: whether what was made from these files is older than they are; made NAME FILE... writes it down
stamp_of() { (cd "$ROOT" && find "$@" -type f -print0 2>/dev/null | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-32); }
stale() { local name=$1; shift; [ "$(cat "$ROOT/$name" 2>/dev/null)" != "$(stamp_of "$@")" ]; }
made() { local name=$1; shift; stamp_of "$@" >"$ROOT/$name"; }

install_packages() {
    export COMPOSER_ALLOW_SUPERUSER=1
    if stale vendor/.made composer.json; then
        say "installing PHP packages"
        (cd "$ROOT" && composer install --no-interaction --quiet --no-progress) >"$VAR/log/composer.log" 2>&1 \
            || die "PHP packages could not be installed; see $VAR/log/composer.log"
        made vendor/.made composer.json
    fi
    if stale node_modules/.made package.json package-lock.json; then
        say "installing front-end packages"
        (cd "$ROOT" && npm ci --no-audit --no-fund --loglevel=error) >"$VAR/log/npm.log" 2>&1 \
            || die "front-end packages could not be installed; see $VAR/log/npm.log"
        made node_modules/.made package.json package-lock.json
    fi
}

build_front_end() {
    local sources=(resources/ts resources/css public/mark.svg package-lock.json vite.config.ts tsconfig.json)
    if stale public/build/.made "${sources[@]}"; then
        say "building the front end"
        (cd "$ROOT" && npm run --silent build) >"$VAR/log/build.log" 2>&1 || die "the front end does not build; see $VAR/log/build.log"
        made public/build/.made "${sources[@]}"
    fi
}

port_free() { # PORT OPTION
    (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null && die "port $1 is in use: stop what listens there, or choose another with $2"
    return 0
}

# template FILE TARGET: fills in @NAMES@
template() {
    local user='' nginx_user=''
    [ "$(id -u)" -eq 0 ] && { user=$'user=root\ngroup=root'; nginx_user='user root;'; }
    local text; text=$(cat "$ROOT/deploy/$1")
    [ "$1" = nginx.conf ] && user=$nginx_user
    text=${text//@USER@/$user}; text=${text//@VAR@/$VAR}; text=${text//@RUN@/${RUN:-}}; text=${text//@ROOT@/$ROOT}
    text=${text//@LISTEN@/${LISTEN:-}}; text=${text//@PORT@/${PORT:-}}; text=${text//@DB_PORT@/${DB_PORT:-}}
    printf '%s\n' "$text" >"$2"
}

# wait_until SECONDS COMMAND...: polls, fails when the time is over
wait_until() {
    local until=$((SECONDS + $1)); shift
    until "$@" >/dev/null 2>&1; do
        [ $SECONDS -lt $until ] || return 1
        sleep 0.1
    done
}

random() { od -An -N"$1" -tx1 /dev/urandom | tr -d ' \n'; }

database_answers() { mariadb-admin --no-defaults --socket="$VAR/mariadb/db.sock" ping; }
database_sql() { mariadb --no-defaults --socket="$VAR/mariadb/db.sock" --batch --skip-column-names "$@"; }

# Starts the private server on 127.0.0.1:DB_PORT, made when it is not there yet. Leaves its process in DB_PID.
start_database() {
    mkdir -p "$VAR/run" "$VAR/log"
    template mariadb.cnf "$VAR/run/mariadb.cnf"
    if [ ! -d "$VAR/mariadb/mysql" ]; then
        rm -rf "$VAR/mariadb"
        mariadb-install-db --no-defaults --datadir="$VAR/mariadb" --user="$(id -un)" --skip-test-db \
            --auth-root-authentication-method=socket --auth-root-socket-user="$(id -un)" >"$VAR/log/mariadb-install.log" 2>&1 \
            || die "the database could not be made; see $VAR/log/mariadb-install.log"
    fi
    service "$VAR/log/mariadb.log" mariadbd --defaults-file="$VAR/run/mariadb.cnf" --user="$(id -un)"
    DB_PID=$SERVICE_PID
    wait_until 40 database_answers || die "the database does not start; see $VAR/log/mariadb.log"
}

# A database and a user of its own for the application; the password is made once and kept in VAR/.env.
prepare_database() { # NAME...
    local name
    for name in "$@"; do
        database_sql -e "CREATE DATABASE IF NOT EXISTS \`$name\`; GRANT ALL ON \`$name\`.* TO 'ash_bench'@'127.0.0.1' IDENTIFIED BY '$DB_PASSWORD';" \
            || die "the database user could not be made"
    done
}

# What the application is told, kept between starts: secrets are made on the first one and never change.
write_environment() { # DATABASE
    local old="$VAR/.env"
    APP_KEY=$(sed -n 's/^APP_KEY=//p' "$old" 2>/dev/null || true)
    DB_PASSWORD=$(sed -n 's/^DB_PASSWORD=//p' "$old" 2>/dev/null || true)
    APP_KEY=${APP_KEY:-base64:$(head -c 32 /dev/urandom | base64 -w0)}
    DB_PASSWORD=${DB_PASSWORD:-$(random 16)}
    mkdir -p "$VAR"
    (umask 077 && cat >"$old.new" <<END
APP_ENV=${APP_ENV:-production}
APP_DEBUG=false
APP_KEY=$APP_KEY
APP_URL=http://127.0.0.1:$PORT
DB_HOST=127.0.0.1
DB_PORT=$DB_PORT
DB_DATABASE=$1
DB_USERNAME=ash_bench
DB_PASSWORD=$DB_PASSWORD
STANDIN_METER_PORT=$METER_PORT
STANDIN_TESTER_PORT=${TESTER_PORT:-0}
${CAPTURE_SILENT_S:+CAPTURE_SILENT_S=$CAPTURE_SILENT_S}
${API_RATE_PER_MINUTE:+API_RATE_PER_MINUTE=$API_RATE_PER_MINUTE}
END
    )
    mv "$old.new" "$old"
    mkdir -p "$VAR/cache" "$VAR/run" "$VAR/log" "$VAR"/storage/{logs,app} "$VAR"/storage/framework/{cache,views,sessions}
}

artisan() { ASH_VAR="$VAR" php "$ROOT/artisan" "$@"; }

# Ends a service and what it began: each has a session of its own, so the workers of a master that was killed are found by it.
stop_process() { # PID SIGNAL
    [ -n "${1:-}" ] || return 0
    if kill -0 "$1" 2>/dev/null; then
        kill "-$2" "$1" 2>/dev/null || true
        local until=$((SECONDS + 20))
        while kill -0 "$1" 2>/dev/null && [ $SECONDS -lt $until ]; do sleep 0.05; done
        kill -KILL "$1" 2>/dev/null || true
    fi
    pkill -KILL --session "$1" 2>/dev/null || true
}
