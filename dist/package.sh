#!/bin/sh
# Makes packages of what Maven built in dist/target/lib: an app image and, on Debian, a .deb; an .msi on Windows, a .dmg on macOS.
# Called by ./zentrel package, with the version and the folder that the packages go to.
set -eu
here=$(CDPATH='' cd -- "$(dirname -- "$0")" && pwd -P)
version=$1
out=$2
work="$here/target/package"
lib="$here/target/lib"

say() { printf 'zentrel: %s\n' "$*" >&2; }

# Named by hand: several libraries carry no module names, so jdeps cannot tell. The last one reads text of other code pages.
modules=java.base,java.desktop,java.logging,java.naming,java.xml,jdk.unsupported,jdk.zipfs,jdk.charsets

# As from a checkout; see the file zentrel. The archives are made where the program is installed, for they hold the names of jars.
window="-Xshare:auto -XX:NewSize=96m -XX:Tier4InvocationThreshold=40000 -XX:Tier4MinInvocationThreshold=5000 -XX:Tier4CompileThreshold=120000 -XX:Tier4BackEdgeThreshold=320000 -Xlog:cds=off"
tools="-Xshare:auto -XX:TieredStopAtLevel=1 -Xlog:cds=off"

rm -rf "$work"
mkdir -p "$work/in" "$out"
cp "$lib"/* "$work/in/"
rm -f "$work"/in/javafx-*[0-9].jar # empty; the ones of this system stand beside them
cp "$here/../NOTICE.md" "$here/../LICENSE" "$here/target/zentrel-sbom.json" "$work/in/"

# not compressed here: a package is, and better so, and a start has less to do
say "collecting the parts of Java that are needed"
jlink --add-modules "$modules" --strip-debug --no-man-pages --no-header-files --compress=0 --output "$work/runtime"

# The first jar is that of the window here too: one archive of classes holds for one order of the jars.
cat >"$work/tools.properties" <<EOF
main-jar=zentrel-app-$version.jar
main-class=zentrel.cli.Main
java-options=$tools -XX:SharedArchiveFile=\$APPDIR/zentrel.jsa
win-console=true
linux-shortcut=false
win-menu=false
EOF
cat >"$work/plan.properties" <<EOF
extension=zentrel
mime-type=application/x-zentrel-plan
description=Zentrel plan
EOF

case $(uname -s) in
    Linux) kind=app-image icon=zentrel.png ;;
    Darwin) kind=dmg icon=zentrel.icns ;;
    *) kind=msi icon=zentrel.ico ;;
esac
set -- --type "$kind" --name zentrel-window --app-version "$version" --vendor Zentrel --copyright "see LICENSE" \
    --description "Plans, checks and rehearses lighting networks" --icon "$here/icon/$icon" --runtime-image "$work/runtime" \
    --input "$work/in" --main-jar "zentrel-app-$version.jar" --main-class zentrel.app.Launcher \
    --add-launcher "zentrel-tools=$work/tools.properties"
for option in $window '-XX:SharedArchiveFile=$APPDIR/zentrel.jsa'; do set -- "$@" --java-options "$option"; done
case $kind in
    app-image) set -- "$@" --dest "$work/image" ;;
    dmg) set -- "$@" --dest "$out" --file-associations "$work/plan.properties" ;;
    msi) set -- "$@" --dest "$out" --file-associations "$work/plan.properties" --win-menu --win-per-user-install ;;
esac
say "making the $kind"
jpackage "$@"
[ "$kind" = app-image ] || exit 0

image="$work/image/zentrel-window"
app="$image/lib/app"
java="$image/lib/runtime/bin/java"
jars=$(sed -n 's:^app.classpath=$APPDIR/::p' "$app/zentrel-window.cfg")
path=$(for jar in $jars; do printf '%s/%s:' "$app" "$jar"; done)

# Which classes the start of the window and of a tool load. The archive of them is made at the installation, for it holds the
# names of the jars; it needs no display then.
say "noting which classes a start loads"
xvfb-run -a -s '-screen 0 1280x800x24' "$java" "-XX:DumpLoadedClassList=$work/window.classes" "-Dzentrel.home=$work/home" \
    -cp "$path" zentrel.app.Launcher demo:draft --once >"$work/window.log" 2>&1
"$java" "-XX:DumpLoadedClassList=$work/tools.classes" -cp "$path" zentrel.cli.Main check demo:ready >"$work/tools.log" 2>&1
awk '!seen[$0]++' "$work/window.classes" "$work/tools.classes" >"$app/zentrel.classes"

command -v dpkg-deb >/dev/null 2>&1 || { cp -r "$image" "$out/"; say "the app image is in $out"; exit 0; }

say "making the .deb"
root="$work/deb"
share="$root/usr/share"
mkdir -p "$root/DEBIAN" "$root/opt" "$root/usr/bin" "$share/applications" "$share/mime/packages" "$share/man/man1" \
    "$share/bash-completion/completions" "$share/doc/zentrel" "$share/icons/hicolor/256x256/apps" \
    "$share/icons/hicolor/scalable/apps" "$share/icons/hicolor/256x256/mimetypes" "$share/icons/hicolor/scalable/mimetypes"
cp -r "$image" "$root/opt/zentrel"
cp "$here/deb/zentrel" "$root/usr/bin/zentrel"
cp "$here/deb/zentrel.desktop" "$share/applications/"
cp "$here/deb/zentrel.xml" "$share/mime/packages/"
for folder in apps/zentrel mimetypes/application-x-zentrel-plan; do
    cp "$here/icon/zentrel.png" "$share/icons/hicolor/256x256/$folder.png"
    cp "$here/icon/zentrel.svg" "$share/icons/hicolor/scalable/$folder.svg"
done
"$java" -cp "$path" zentrel.cli.Documents man | gzip -9n >"$share/man/man1/zentrel.1.gz"
"$java" -cp "$path" zentrel.cli.Documents completion >"$share/bash-completion/completions/zentrel"
cat "$here/../LICENSE" "$here/../NOTICE.md" >"$share/doc/zentrel/copyright"
gzip -9n <"$here/../CHANGELOG.md" >"$share/doc/zentrel/changelog.gz"

# The packages of the libraries that its native parts ask for.
needed=$(find "$root/opt/zentrel" -name '*.so' -exec objdump -p {} + 2>/dev/null | sed -n 's/^ *NEEDED *//p' | sort -u)
depends=$(for library in $needed; do
    find "$root/opt/zentrel" -name "$library" | grep -q . && continue
    found=$(ldconfig -p | sed -n "s:^\t$library (.*x86-64.*) => ::p;s:^\t$library (.*AArch64.*) => ::p" | head -n 1)
    [ -n "$found" ] || continue # what only older systems have, as GTK 2
    real=$(readlink -f "$found") # a package may know it without /usr before it
    { dpkg -S "$real" || dpkg -S "${real#/usr}"; } 2>/dev/null | sed 's/:.*//'
done | sort -u | paste -sd, | sed 's/,/, /g')
cat >"$root/DEBIAN/control" <<EOF
Package: zentrel
Version: $version
Architecture: $(dpkg --print-architecture)
Maintainer: Zentrel <zentrel@localhost>
Section: misc
Priority: optional
Installed-Size: $(du -sk "$root" | cut -f1)
Depends: $depends, libgl1, libgtk-3-0 | libgtk-3-0t64, libxxf86vm1
Recommends: shared-mime-info, desktop-file-utils, hicolor-icon-theme
Description: plans, checks and rehearses lighting networks
 Describes the gear of a lighting rig once, works out every address and
 universe, and shows the way of each signal with the reason it would fail.
EOF
cp "$here/deb/postinst" "$here/deb/prerm" "$root/DEBIAN/"
chmod -R u=rwX,go=rX "$root"
chmod 755 "$root/DEBIAN/postinst" "$root/DEBIAN/prerm" "$root/usr/bin/zentrel"
(cd "$root" && find opt usr -type f -exec md5sum {} +) >"$root/DEBIAN/md5sums"
deb="$out/zentrel_${version}_$(dpkg --print-architecture).deb"
dpkg-deb --root-owner-group -Zxz --build "$root" "$deb" >&2

(cd "$out" && sha256sum "$(basename "$deb")" >"$(basename "$deb").sha256")
cp "$here/target/zentrel-sbom.json" "$out/"
say "image $(du -sm "$image" | cut -f1) MB, $deb $(du -sm "$deb" | cut -f1) MB"
