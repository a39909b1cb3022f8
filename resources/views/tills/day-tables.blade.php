@use('Elmstone\Support\Show')
{{-- The two sides of a day: what it was for, how it was paid; both come to the same. --}}
@php([$left, $right] = [$sheet->sum($sheet->left), $sheet->sum($sheet->right)])
<table class="two-sides"><tbody><tr>
    <td class="half"><table class="ruled"><thead><tr><th>What for</th><th class="figure r">Comes to</th></tr></thead>
        <tbody>@foreach($sheet->left as $one)<tr><td>{{ $one->name }}</td>
        <td class="figure r">{{ Show::money($one->net()) }}</td></tr>@endforeach
        <tr class="sum"><td><b>In all</b></td><td class="figure r"><b>{{ Show::money($left) }}</b></td></tr></tbody>
        </table></td>
    <td class="half"><table class="ruled"><thead><tr><th>How it was paid</th><th class="figure r">In</th>
        <th class="figure r">Out</th><th class="figure r">Comes to</th></tr></thead>
        <tbody>@foreach($sheet->right as $one)<tr><td>{{ $one->name }}</td>
        <td class="figure r soft">{{ $one->in->isZero() ? '' : Show::money($one->in) }}</td>
        <td class="figure r soft">{{ $one->out->isZero() ? '' : Show::money($one->out) }}</td>
        <td class="figure r">{{ Show::money($one->net()) }}</td></tr>@endforeach
        <tr class="sum"><td><b>In all</b></td><td></td><td></td>
        <td class="figure r"><b>{{ Show::money($right) }}</b></td></tr></tbody></table></td>
</tr></tbody></table>
<p class="{{ $left->equals($right) ? 'soft small' : 'brick' }}">{{ $left->equals($right)
    ? 'Both sides come to '.Show::money($left).'.' : 'The two sides differ by '.Show::money($left->minus($right)).'.'
    }}</p>
<table class="ruled"><thead><tr><th>Department</th><th class="figure r">Gross</th><th class="figure r">Discounts</th>
    <th class="figure r">Net</th><th class="figure r">of it came back</th>
    @if($margin)<th class="figure r">Cost</th><th class="figure r">Margin</th>@endif</tr></thead>
    <tbody>@foreach($sheet->departments as $one)<tr><td>{{ $one->name }}</td>
    <td class="figure r">{{ Show::money($one->gross) }}</td>
    <td class="figure r">{{ $one->discounts->isZero() ? '' : Show::money($one->discounts) }}</td>
    <td class="figure r">{{ Show::money($one->net) }}</td>
    <td class="figure r soft">{{ $one->back->isZero() ? '' : Show::money($one->back) }}</td>
    @if($margin)<td class="figure r soft">{{ Show::money($one->cost) }}</td>
    <td class="figure r">{{ Show::money($one->margin()) }}</td>@endif</tr>@endforeach
    <tr class="sum"><td><b>Sales before tax</b></td>
    <td class="figure r">{{ Show::money($sheet->total(fn ($one) => $one->gross)) }}</td>
    <td class="figure r">{{ Show::money($sheet->total(fn ($one) => $one->discounts)) }}</td>
    <td class="figure r"><b>{{ Show::money($sheet->net()) }}</b></td>
    <td class="figure r soft">{{ Show::money($sheet->total(fn ($one) => $one->back)) }}</td>
    @if($margin)<td class="figure r soft">{{ Show::money($sheet->total(fn ($one) => $one->cost)) }}</td>
    <td class="figure r">{{ Show::money($sheet->total(fn ($one) => $one->margin())) }}</td>@endif</tr></tbody></table>
<table class="two-sides"><tbody><tr>
    <td class="half"><table class="ruled"><thead><tr><th>Tax</th><th class="figure r">on</th>
        <th class="figure r">Comes to</th></tr></thead>
        <tbody>@foreach($sheet->taxes as $one)<tr><td>{{ $one['name'] }} {{ Show::decimal($one['rate']) }} %</td>
        <td class="figure r soft">{{ Show::money($one['base']) }}</td>
        <td class="figure r">{{ Show::money($one['amount']) }}</td></tr>@endforeach
        <tr><td>Sold exempt</td><td class="figure r soft">{{ Show::money($sheet->total(fn ($one) => $one->exempt))
            }}</td><td></td></tr></tbody></table></td>
    <td class="half">@if($sheet->held !== [])<table class="ruled"><thead><tr><th>Held for customers</th>
        <th class="figure r">In</th><th class="figure r">Out</th></tr></thead>
        <tbody>@foreach($sheet->held as $one)<tr><td>{{ $one->name }}</td>
        <td class="figure r">{{ Show::money($one->in) }}</td><td class="figure r">{{ Show::money($one->out) }}</td></tr>
        @endforeach</tbody></table>@endif</td>
</tr></tbody></table>
