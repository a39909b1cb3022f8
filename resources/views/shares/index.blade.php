@extends('layout')
@section('title', 'Who sold what')
@section('main')
<div class="page">
    <div class="page-head"><h1>Who sold what</h1><span class="soft">{{ $period->words() }}</span></div>
    @include('design.messages')
    <x-period :period="$period" :action="route('shares')"/>
    @if($rows === [])<p class="empty">Nothing was sold in this period, and no commission is owed.</p>@else
    <table class="ruled">
        <thead><tr><th>Number</th><th>Name</th><th class="figure">Sold, net</th>
        <th class="figure">Commission earned</th><th class="figure">Paid out</th>
        <th class="figure">Owed at the end</th></tr></thead>
        <tbody>@foreach($rows as $row)<tr>
            <td>{{ $row->person->number }}</td>
            <td><a class="plain" href="{{ route('shares.show',
                ['staff' => $row->person, ...$period->query()]) }}">{{ $row->person->name }}</a>
                @unless($row->person->active)<span class="soft">left</span>@endunless</td>
            <td class="figure">{{ Elmstone\Support\Show::money($row->net) }}</td>
            <td class="figure">{{ Elmstone\Support\Show::money($row->commission) }}</td>
            <td class="figure">{{ $row->paid->isZero() ? '' : Elmstone\Support\Show::money($row->paid) }}</td>
            <td class="figure">{{ Elmstone\Support\Show::money($row->owed) }}</td></tr>@endforeach</tbody>
        <tfoot><tr class="total"><td colspan="2">{{ count($rows) }} {{ count($rows) === 1 ? 'person' : 'people' }}</td>
        @foreach(['net', 'commission', 'paid', 'owed'] as $figure)<td class="figure">{{ Elmstone\Support\Show::money(
            Elmstone\Core\Money\Money::sum(array_column($rows, $figure), $none->currency)) }}</td>@endforeach
        </tr></tfoot>
    </table>
    @endif
</div>
@endsection
