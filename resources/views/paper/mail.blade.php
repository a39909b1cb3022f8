Thank you for your purchase at {!! $shop->name !!}, {!! $document->location->town !!}.

{{ $document->kind->title() }} {{ $document->label }} of {{ \Elmstone\Foundation\Show::date($document->business_date) }} comes to {{ \Elmstone\Foundation\Show::money($document->money($document->total)) }} {{ $document->currency }} and is attached{{ $copy ? ' as a copy' : '' }}.
