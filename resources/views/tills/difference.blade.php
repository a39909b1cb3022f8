@use('Elmstone\Tills\DifferenceBar')
{{-- What was expected and what was counted, way by way, and the difference as a length. --}}
<table class="ruled differences">
    <thead><tr><th>Way of paying</th><th class="figure">Expected</th><th class="figure">Counted</th>
    <th class="figure">Difference</th><th><span class="visually-hidden">As a length</span></th></tr></thead>
    <tbody>@foreach($count->ways as $way)<tr>
        <td>{{ $way->way->label() }}</td><td class="figure">{{ $way->expected }}</td>
        <td class="figure">{{ $way->counted }}</td>
        <td class="figure {{ $way->difference()->isZero() ? 'soft' : 'fw-bold' }}">{{ $way->difference() }}</td>
        <td class="off-by">{!! DifferenceBar::svg($way, $count->ways) !!} <span class="small soft">{{ match (true) {
            $way->difference()->isZero() => 'right',
            $way->difference()->isNegative() => 'short',
            default => 'over',
        } }}</span></td></tr>@endforeach</tbody>
</table>
