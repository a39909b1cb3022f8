@use('Elmstone\Support\Show')
@php($margin = $reckoned->figures()->margin())
<table class="small mt-1">
    <tr><td class="soft">Cost</td><td class="figure ps-3">{{ $margin->cost }}</td>
        <td class="soft ps-4">Margin</td><td class="figure ps-3">{{ $margin->amount }}</td>
        <td class="soft ps-4">of net</td><td class="figure ps-3">{{ $margin->percent() ?? '–' }} %</td>
        <td class="soft ps-4">on cost</td><td class="figure ps-3">{{ $margin->markup() ?? '–' }} %</td></tr>
</table>
@foreach($slip->lines as $line)
    @if($line->floor_price !== null || $line->cost !== null)
        <div class="small soft">{{ $line->code }}: lowest {{ $line->floor_price === null ? '–'
            : Show::price($line->floor_price) }}, cost {{ $line->cost === null ? '–' : Show::price($line->cost) }}</div>
    @endif
@endforeach
