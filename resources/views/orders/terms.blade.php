@use('Elmstone\Orders\OrderSource')
@use('Elmstone\Orders\OrderWay')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Terms of orders')
@section('main')
<div class="page narrow">
    <div class="page-head"><h1>Terms of orders</h1>
    <span class="soft">for orders made from now on · {{ $house->currency()->code }}</span></div>
    @include('design.messages')
    <form method="post" action="{{ route('orders.terms.save') }}" autocomplete="off" class="sheet-form">@csrf
        <h2>Paid when the order is made, at the least</h2>
        <div class="d-flex flex-wrap gap-3">@foreach(OrderSource::cases() as $one)<div><label class="small soft d-block"
            for="deposit_{{ $one->value }}">{{ $one->words() }}, %</label><input class="form-control w-6 text-end"
                id="deposit_{{ $one->value }}" name="deposit_{{ $one->value }}" inputmode="decimal"
                    value="{{ old("deposit_{$one->value}", Show::decimal($terms->leastDeposit($one))) }}">
            @include('design.complaint', ['field' => "deposit_{$one->value}"])</div>@endforeach
            <div><label class="small soft d-block" for="cancellation_fee">fee of who cancels, %</label><input
                class="form-control w-6 text-end" id="cancellation_fee" name="cancellation_fee" inputmode="decimal"
                    value="{{ old('cancellation_fee', Show::decimal($terms->cancellationFee())) }}">
            @include('design.complaint', ['field' => 'cancellation_fee'])</div>
            <div><label class="small soft d-block" for="quote_days">a quote holds, days</label><input
                class="form-control w-6 text-end" id="quote_days" name="quote_days" inputmode="numeric"
                    value="{{ old('quote_days', $terms->quoteDays()) }}">
            @include('design.complaint', ['field' => 'quote_days'])</div></div>
        <h2 class="mt-4">Freight, by weight</h2>
        <p class="small soft">A row without a weight holds for everything heavier. A table of one row without a weight
            is a flat charge; no rows: it is typed.</p>
        @include('design.complaint', ['field' => 'rows'])
        <div class="d-flex flex-wrap gap-5">@foreach([OrderWay::Delivery, OrderWay::Parcel] as $way)<div>
            <p class="fw-bold mb-1">{{ ucfirst($way->words()) }}</p>
            <table class="ruled"><thead><tr><th class="figure">up to, kg</th>
                <th class="figure">charge</th></tr></thead>
            @for($i = 0; $i < $steps; $i++)@php($step = $terms->steps($way)[$i] ?? ['up_to' => '', 'charge' => ''])<tr>
                <td><input class="form-control text-end w-6" name="rows[{{ $way->value }}-{{ $i }}-up_to]"
                    inputmode="decimal" aria-label="Up to weight, {{ $way->words() }} {{ $i + 1 }}"
                        value="{{ old("rows.{$way->value}-{$i}-up_to", $step['up_to']) }}"></td>
                <td><input class="form-control text-end w-6" name="rows[{{ $way->value }}-{{ $i }}-charge]"
                    inputmode="decimal" aria-label="Charge, {{ $way->words() }} {{ $i + 1 }}"
                        value="{{ old("rows.{$way->value}-{$i}-charge", $step['charge']) }}"></td></tr>@endfor</table>
            <label class="small soft d-block" for="free_{{ $way->value }}">free from a value of</label><input
                class="form-control w-6 text-end" id="free_{{ $way->value }}" name="free_{{ $way->value }}"
                    inputmode="decimal" placeholder="never" value="{{ old("free_{$way->value}",
                        $terms->text("free.{$way->value}", '')) }}">
            @include('design.complaint', ['field' => "free_{$way->value}"])</div>@endforeach</div>
        <div class="d-flex flex-wrap gap-3 mt-3"><div><label class="small soft d-block" for="freight_class">Freight is
            taxed as</label><select class="form-select" id="freight_class" name="freight_class">
            @foreach($taxClasses as $class)<option value="{{ $class->code }}"
                @selected($class->code === $terms->freightTaxClass())>{{ $class->name }}</option>@endforeach</select>
            </div><label class="align-self-end"><input type="checkbox" class="form-check-input" name="freight_spread"
                value="1" @checked(old('freight_spread', $terms->spreadsFreight()))> spread over the deliveries by
                their value, not all of it with the first</label></div>
        <h2 class="mt-4">Days on which nothing is collected or brought</h2>
        <div class="d-flex flex-wrap gap-3"><div><label class="small soft d-block" for="closed_weekdays">days of the
            week, 1 is Monday</label><input class="form-control" id="closed_weekdays" name="closed_weekdays"
                value="{{ old('closed_weekdays', implode(', ', $terms->closedWeekdays())) }}"></div>
        <div class="flex-fill"><label class="small soft d-block" for="closed_days">single days</label><input
            class="form-control" id="closed_days" name="closed_days" placeholder="2027-12-25, 2027-12-26"
                value="{{ old('closed_days', implode(', ', $terms->closedDays())) }}"></div></div>
        <button class="quiet-act mt-4">Save</button>
    </form>
</div>
@endsection
