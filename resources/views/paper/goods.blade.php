@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['roll' => $roll])</head>
<body class="{{ $roll ? 'roll' : 'sheet' }}"><main>
<p><b>{{ $shop->name }}</b><br>{{ $document->location->street }}, {{ $document->location->town }}</p>
@if($copy)<p class="copy">COPY</p>@endif
<div class="rule"></div>
<p><b>{{ $document->title() }} {{ $document->label }}</b></p>
<p>{{ Show::date($document->business_date) }}, {{ Show::time($document->posted_at) }} · {{ $document->till->name }} ·
    {{ $document->staff->name }}</p>
<p>{{ $document->purpose->words($document->refersTo?->label) }}.@if($document->note !== '')
    {{ $document->note }}@endif</p>
<div class="rule"></div>
<table>
    @foreach($document->lines as $line)
        <tr><td>{{ $line->item_id === null ? '' : Show::decimal($line->quantity).' × ' }}{{ $line->description }} <span
            class="code">{{ $line->code }}</span></td><td class="r">{{ $line->cost }}</td></tr>
        @foreach(array_filter([$line->reason === null ? ''
            : str_replace('_', ' ', $line->reason), $line->note, $line->serials === null ? ''
                : 'serial no. '.implode(', ', $line->serials)]) as $under)<tr>
                <td colspan="2" class="under">{{ $under }}</td></tr>@endforeach
    @endforeach
    <tr class="total"><td>Worth at cost {{ $document->currency }}</td>
    <td class="r">{{ $document->cost() }}</td></tr>
</table>
<div class="rule"></div>
<div class="centre">@include('paper.barcode')<p class="code">{{ $document->label }}</p>
<p>For our own records. Nothing is owed by this paper.</p></div>
</main></body>
</html>
