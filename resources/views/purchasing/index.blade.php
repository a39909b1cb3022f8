@use('Elmstone\Purchasing\PurchaseState')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Purchases')
@section('main')
<div class="page">
    <div class="page-head"><h1>Purchases</h1><span class="soft">orders to suppliers ·
        {{ $house->currency()->code }}</span></div>
    @include('design.messages')
    <div class="filters"><div class="choices" role="group" aria-label="Which">
        <a href="{{ route('purchases') }}" @if($state === null) aria-current="true" @endif>Open</a>
        @foreach(PurchaseState::cases() as $one)<a href="{{ route('purchases', ['state' => $one->value]) }}"
            @if($state === $one) aria-current="true" @endif>{{ ucfirst($one->words()) }}</a>@endforeach</div></div>
    @if($purchases->isEmpty())<p class="empty">None here. What is to be bought stands under “To buy”.</p>@else
    <table class="ruled"><thead><tr><th>Order</th><th>Supplier</th><th>To</th><th>Expected</th><th>State</th>
        <th class="figure">Lines</th><th class="figure">Still to come</th></tr></thead><tbody>
        @foreach($purchases as $one)<tr>
            <td><a class="code" href="{{ route('purchases.show', $one) }}">{{ $one->label }}</a></td>
            <td>@can('buy-goods')<a class="plain" href="{{ route('suppliers.show',
                $one->supplier_id) }}">{{ $one->supplier->name }}</a>@else{{ $one->supplier->name }}@endcan</td>
            <td>{{ $one->location->town }}</td>
            <td class="nowrap {{ $one->isLate($day) ? 'brick' : '' }}">{{ $one->expected_on === null ? ''
                : Show::date($one->expected_on).($one->isLate($day) ? ', late' : '') }}</td>
            <td>{{ $one->state->words() }}</td><td class="figure">{{ $one->lines->count() }}</td>
            <td class="figure">{{ $one->toCome($house->currency()) }}</td></tr>@endforeach</tbody></table>
    {{ $purchases->links() }}@endif
</div>
@endsection
