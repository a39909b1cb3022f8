# Stops serving and the database; the data stays.
. bin/house.sh
serve_stop "$HOUSE"
database_stop "$HOUSE/db"
say 'stopped'
