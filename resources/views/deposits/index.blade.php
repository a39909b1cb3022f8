@use('Elmstone\Books\HeldKind')
@use('Elmstone\Support\ShopTime')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Deposits')
@section('main')
<div class="page">
    @include('layaways.parts.nav')
    <div class="page-head"><h1>Money held</h1>
    <span class="soft">what the shop owes its customers in goods, as of {{ Show::date($day) }} · {{ $house->currency()
        ->code }}</span></div>
    @include('design.messages')
    <form class="filters" method="get" action="{{ route('deposits') }}"><div>
    <label for="as_of">As of</label><input class="form-control" type="date" id="as_of" name="as_of"
        value="{{ $day->format('Y-m-d') }}"></div>
        <button class="quiet-act">Show</button><a class="link-act ms-auto"
            href="{{ route('deposits.csv', ShopTime::isToday($day) ? []
                : ['as_of' => $day->format('Y-m-d')]) }}">Save as CSV</a>@error('as_of')
                <p class="complaint w-100">{{ $message }}</p>@enderror</form>
    @if($liability->customers === [])<p class="empty">Nothing was held on that day.</p>
    @else
    <table class="ruled">
        <thead><tr><th>Customer</th><th>Name</th><th class="figure">Deposits</th><th class="figure">On layaways</th>
        <th class="figure">In all</th></tr></thead>
        <tbody>@foreach($liability->customers as $row)<tr><td>
        <a class="code" href="{{ route('deposits.show', $row->number) }}">{{ $row->number }}</a></td><td>
        <a class="plain" href="{{ route('deposits.show', $row->number) }}">{{ $row->name }}</a></td>
        @php([$deposit, $layaway] = [$row->of(HeldKind::Deposit), $row->of(HeldKind::Layaway)])
        <td class="figure">{{ $deposit }}</td><td class="figure">{{ $layaway }}</td>
        <td class="figure fw-bold">{{ $house->money(0)->plus($deposit ?? $house->money(0))
            ->plus($layaway ?? $house->money(0)) }}</td></tr>@endforeach</tbody>
        @php([$deposits, $layaways] = [$liability->total(HeldKind::Deposit), $liability->total(HeldKind::Layaway)])
        <tfoot><tr class="total">
        <td colspan="2">{{ count($liability->customers) }} {{ count($liability->customers) === 1 ? 'customer'
            : 'customers' }}</td><td class="figure">{{ $deposits }}</td><td class="figure">{{ $layaways }}</td>
            <td class="figure">{{ $deposits->plus($layaways) }}</td></tr></tfoot>
    </table>
    @endif
</div>
@endsection
