@use('Elmstone\Support\Show')
@php($margin = $reckoned->figures()->margin())
<table class="small mt-1">
    <tr><td class="soft">Cost</td><td class="figure ps-3">{{ $margin->cost }}</td>
        <td class="soft ps-4">Margin</td><td class="figure ps-3">{{ $margin->amount }}</td>
        <td class="soft ps-4">of net</td><td class="figure ps-3">{{ $margin->percent() ?? '–' }} %</td>
        <td class="soft ps-4">on cost</td><td class="figure ps-3">{{ $margin->markup() ?? '–' }} %</td></tr>
</table>
<table class="small soft margin-lines"><thead><tr><th>item</th><th class="figure">base</th>
    <th class="figure">lowest</th><th class="figure">price</th><th class="figure">cost</th>
    <th class="figure">of net</th></tr></thead>
@foreach($slip->lines as $line)
    @if($line->floor_price !== null || $line->cost !== null)
        <tr><td>{{ $line->code }}</td><td class="figure">{{ Show::price($line->list_price) }}</td>
            <td class="figure">{{ $line->floor_price === null ? '–' : Show::price($line->floor_price) }}</td>
            <td class="figure">{{ Show::price($line->unit_price) }}</td>
            <td class="figure">{{ $line->cost === null ? '–' : Show::price($line->cost) }}</td>
            <td class="figure">{{ $reckoned->figures()->marginOf($line)->percent() ?? '–' }} %</td></tr>
    @endif
@endforeach
</table>
