# Throws the demonstration data away. The next ./elmstone up loads it afresh.
. bin/house.sh
serve_stop "$HOUSE"
database_stop "$HOUSE/db"
rm -rf "$HOUSE" .env
say 'the data is gone; ./elmstone up makes it anew'
