# Throws all data away, once somebody has said so; with --yes nobody is asked. The next ./elmstone up loads the
# demonstration afresh.
. bin/house.sh

if [ -d "$HOUSE/db" ] && [ "${1:-}" != --yes ]; then
    [ -t 0 ] || die 'reset throws all data away. Say so: ./elmstone reset --yes'
    read -r -p 'All data of this shop is thrown away, its books too. Type "throw away" to do it: ' said
    [ "$said" = 'throw away' ] || die 'nothing was thrown away'
fi

serve_stop "$HOUSE"
database_stop "$HOUSE/db"
rm -rf "$HOUSE" .env
say 'the data is gone; ./elmstone up makes it anew'
