@use('Elmstone\Books\HeldKind')
@use('Elmstone\Support\ShopTime')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Store credit')
@section('main')
<div class="page">
    @include('returns.parts.nav')
    <div class="page-head"><h1>Store credit</h1>
    <span class="soft">owed to customers in goods, as of {{ Show::date($day) }} · {{ $house->currency()->code }}</span>
    </div>
    @include('design.messages')
    <form class="filters" method="get" action="{{ route('store-credit') }}"><div>
    <label for="as_of">As of</label><input class="form-control" type="date" id="as_of" name="as_of"
        value="{{ $day->format('Y-m-d') }}"></div>
        <button class="quiet-act">Show</button><a class="link-act ms-auto"
            href="{{ route('store-credit.csv', ShopTime::isToday($day) ? []
                : ['as_of' => $day->format('Y-m-d')]) }}">Save as CSV</a>@error('as_of')
                <p class="complaint w-100">{{ $message }}</p>@enderror</form>
    @if($liability->customers === [])<p class="empty">No store credit was owed on that day.</p>
    @else
    <table class="ruled">
        <thead><tr><th>Customer</th><th>Name</th><th class="figure">Store credit</th></tr></thead>
        <tbody>@foreach($liability->customers as $row)<tr><td>
        <a class="code" href="{{ route('store-credit.show', $row->number) }}">{{ $row->number }}</a></td><td>
        <a class="plain" href="{{ route('store-credit.show', $row->number) }}">{{ $row->name }}</a></td>
        <td class="figure">{{ $row->of(HeldKind::StoreCredit) }}</td></tr>@endforeach</tbody>
        <tfoot><tr class="total">
        <td colspan="2">{{ count($liability->customers) }} {{ count($liability->customers) === 1 ? 'customer'
            : 'customers' }}</td>
        <td class="figure">{{ $liability->total(HeldKind::StoreCredit) }}</td></tr></tfoot>
    </table>
    @endif
</div>
@endsection
