@use('Elmstone\Support\Show')
Thank you for your {{
    $document->lines->isEmpty() ? 'payment to' : 'purchase at'
}} {!! $shop->name !!}, {!! $document->location->town !!}.

{{ $document->title() }} {{ $document->label }} of {{ Show::date($document->business_date) }} comes to {{
    Show::money($document->total)
}} {{ $document->currency }} and is attached{{ $copy ? ' as a copy' : '' }}.
@foreach($notes as $note)@if($note->link !== '')

{{ $note->title }}: {!! $note->link !!}
@endif @endforeach
