#!/bin/sh
# Tries a package as its users do: a small Debian without Java, in a changed root of its own; installed, used by a user without
# rights, updated, removed. As root, on Debian; nothing outside a folder of its own is touched. Fails at the first thing that is not so.
set -eu
deb=$(readlink -f "$1")
here=$(CDPATH='' cd -- "$(dirname -- "$0")" && pwd -P)

# in a mount namespace of its own, so that what is mounted is gone at the end, however that comes
if [ "${ZENTREL_TRIAL:-}" != inside ]; then
    ZENTREL_TRIAL=inside exec unshare --mount --propagation private sh "$0" "$deb"
fi

say() { printf 'trial: %s\n' "$*" >&2; }
fail() { say "NOT SO: $*"; exit 1; }

root=$(mktemp -d)
chmod 755 "$root"
display=
cleanup() {
    [ -z "$display" ] || kill "$display" 2>/dev/null || true
    umount "$root/home/full" 2>/dev/null || true
    umount "$root/proc" 2>/dev/null || true
    rm -rf --one-file-system "$root"
}
trap cleanup EXIT
trap 'exit 1' INT TERM

# the archive that this machine itself uses
mirror=$(sed -n 's/^URIs: *//p' /etc/apt/sources.list.d/*.sources 2>/dev/null | head -n 1)
[ -n "$mirror" ] || mirror=$(sed -n 's/^deb \(\[[^]]*\] \)\{0,1\}\([^ ]*\).*/\2/p' /etc/apt/sources.list | head -n 1)
suite=$(sed -n 's/^VERSION_CODENAME=//p' /etc/os-release)
say "making a small $suite"
debootstrap --variant=minbase "$suite" "$root" "$mirror" >"$root.log" 2>&1 || { tail -n 5 "$root.log" >&2; fail "debootstrap"; }
rm -f "$root.log"
cp /etc/resolv.conf "$root/etc/resolv.conf"
cp /etc/apt/apt.conf.d/* "$root/etc/apt/apt.conf.d/" 2>/dev/null || true
mount -t proc proc "$root/proc"

inside() { chroot "$root" env -i PATH=/usr/sbin:/usr/bin:/sbin:/bin LC_ALL=C.UTF-8 DEBIAN_FRONTEND=noninteractive "$@"; }
install() {
    cp "$1" "$root/tmp/zentrel.deb"
    inside apt-get install -y -qq --no-install-recommends --reinstall /tmp/zentrel.deb >"$root/tmp/log" 2>&1 || {
        tail -n 5 "$root/tmp/log" >&2
        fail "it is not installed"
    }
}
inside sh -c 'command -v java' && fail "there is a Java already"
inside apt-get update -qq
# what a desktop has besides, for opening a file by its kind
inside apt-get install -y -qq --no-install-recommends libglib2.0-bin shared-mime-info desktop-file-utils man-db >/dev/null 2>&1
say "installing"
install "$deb"
inside sh -c 'command -v java' && fail "it brought a Java for all"
[ -s "$root/opt/zentrel/lib/app/zentrel.jsa" ] || fail "no archive of classes"
say "$(du -sm "$root/opt/zentrel" | cut -f1) MB in /opt/zentrel, $(du -sm "$deb" | cut -f1) MB as a package"

inside useradd -m tech
Xvfb :87 -screen 0 1280x800x24 -ac >/dev/null 2>&1 &
display=$!
# asuser COMMAND … : as a user who may write in the home folder only
asuser() {
    chroot --userspec=tech:tech "$root" env -i PATH=/usr/bin:/bin HOME=/home/tech DISPLAY=:87 LANG=C "$@"
}
home="$root/home/tech"

say "the line tools"
asuser zentrel check demo:ready >"$root/tmp/out" || fail "check demo:ready"
grep -q 'Fernlight Trail' "$root/tmp/out" || fail "check says nothing of the plan"
asuser zentrel say - 'console' -o /home/tech/Café.zentrel >/dev/null || fail "say"
asuser man zentrel 2>"$root/tmp/err" | grep -q 'who.wins' || fail "the man page"
[ ! -s "$root/tmp/err" ] || fail "the man page: $(cat "$root/tmp/err")"
asuser bash -c '. /usr/share/bash-completion/completions/zentrel; complete -p zentrel' | grep -q zentrel || fail "completion"

say "pictures of the main views"
asuser zentrel demo --shots /home/tech/pictures || fail "demo --shots"
[ "$(find "$home/pictures" -name '*.png' -size +10k | wc -l)" -ge 15 ] || fail "pictures are missing"

# window TITLE : waits until a window of that title is there
window() {
    for _ in $(seq 60); do
        if DISPLAY=:87 xwininfo -root -tree 2>/dev/null | grep -q "$1"; then return 0; fi
        sleep 0.5
    done
    return 1
}
leave() {
    # shellcheck disable=SC2046 # one number for each process
    kill $(ls -d /proc/[0-9]*/root 2>/dev/null | while read -r link; do
        [ "$(readlink "$link")" = "$root" ] && basename "$(dirname "$link")"
    done) 2>/dev/null || true
    sleep 2
}

say "a plan opened by its file"
asuser gio info -a standard::content-type /home/tech/Café.zentrel | grep -q application/x-zentrel-plan || fail "its kind"
asuser gio mime application/x-zentrel-plan | grep -q 'zentrel.desktop' || fail "what opens it"
asuser gio open /home/tech/Café.zentrel || fail "gio open"
window ' – Zentrel' || fail "no window for the plan"
leave
[ -d "$home/.local/state/zentrel" ] || fail "no folder for its state"
user=$(sed -n 's/^tech:[^:]*:\([0-9]*\):.*/\1/p' "$root/etc/passwd")
find "$root" -xdev -uid "$user" -not -path "$root/home/*" -not -path "$root/proc/*" -not -path "$root/tmp/*" | grep . && fail "it wrote elsewhere"

say "a home folder that may not be written"
chroot --userspec=tech:tech "$root" env -i PATH=/usr/bin:/bin HOME=/root DISPLAY=:87 zentrel open /home/tech/Café.zentrel \
    >/dev/null 2>&1 &
window ' – Zentrel' || fail "no window without a home folder"
leave

say "a home folder that is full"
mkdir "$root/home/full"
mount -t tmpfs -o size=64k,mode=777 tmpfs "$root/home/full"
dd if=/dev/zero of="$root/home/full/all" bs=1k >/dev/null 2>&1 || true
chroot --userspec=tech:tech "$root" env -i PATH=/usr/bin:/bin HOME=/home/full DISPLAY=:87 zentrel open /home/tech/Café.zentrel \
    >/dev/null 2>&1 &
window ' – Zentrel' || fail "no window with a full home folder"
leave
umount "$root/home/full"

say "a newer version, with the settings of the older"
printf '{"day": true, "text": "larger"}\n' >"$root/tmp/settings"
inside install -o tech -d /home/tech/.config/zentrel
inside install -o tech -m 644 /tmp/settings /home/tech/.config/zentrel/settings.json
again="$root/tmp/newer"
dpkg-deb -R "$deb" "$again"
sed -i 's/^Version: .*/&+1/' "$again/DEBIAN/control"
dpkg-deb --root-owner-group -Znone -b "$again" "$root.deb" >/dev/null
rm -rf "$again"
install "$root.deb"
rm -f "$root.deb"
inside dpkg-query -W -f '${Version}' zentrel | grep -q '+1' || fail "it is not updated"
asuser zentrel check demo:ready >/dev/null || fail "check after the update"
grep -q larger "$home/.config/zentrel/settings.json" || fail "settings are lost"

say "removed"
inside apt-get purge -y -qq zentrel >/dev/null 2>&1
[ ! -e "$root/opt/zentrel" ] || fail "left in /opt: $(find "$root/opt/zentrel")"
[ ! -e "$root/usr/bin/zentrel" ] || fail "left in /usr/bin"
[ -s "$home/Café.zentrel" ] && [ -s "$home/.config/zentrel/settings.json" ] || fail "a plan or the settings are gone"
say "all as it should be"
