@use('Elmstone\Support\Show')
@php($hasReasons = $document->lines->contains(fn ($line) => $line->reason !== null))
<p>{{ $document->purpose->words($document->refersTo?->label) }}.@if($document->note !== '') <span
    class="soft">{{ $document->note }}</span>@endif</p>
<table class="ruled">
    <thead><tr><th class="figure">Qty</th><th>Item</th>@if($hasReasons)<th>Why</th>@endif @can('see-margin')
    <th class="figure">At cost</th>@endcan</tr></thead>
    <tbody>
    @foreach($document->lines as $line)
        <tr><td class="figure">{{ $line->item_id === null ? '' : Show::decimal($line->quantity) }}</td>
            <td>{{ $line->description }} <span class="code soft">{{ $line->code }}</span>
                @if($line->note !== '')<div class="small soft">“{{ $line->note }}”</div>@endif
                @if($line->serials !== null)<div class="small soft">serial no. {{ implode(', ', $line->serials) }}</div>
                @endif</td>
            @if($hasReasons)<td>{{ $line->reason === null ? '' : str_replace('_', ' ', $line->reason) }}</td>@endif
            @can('see-margin')<td class="figure">{{ $line->cost }}</td>@endcan</tr>
    @endforeach
    </tbody>
    @can('see-margin')<tfoot><tr class="total">
    <td colspan="{{ $hasReasons ? 3 : 2 }}" class="figure">Worth at cost {{ $document->currency }}</td>
    <td class="figure">{{ $document->cost() }}</td></tr></tfoot>@endcan
</table>
