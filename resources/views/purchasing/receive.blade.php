@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "Goods in, {$purchase->label}")
@section('main')
<div class="page">
    <div class="page-head"><h1>Count goods in</h1><span class="soft"><a
        href="{{ route('purchases.show', $purchase) }}">{{ $purchase->label }}</a>, {{ $purchase->supplier->name }}, to
        {{ $purchase->location->town }} · {{ $house->currency()->code }}</span>
        @if($mayBeGrid)<div class="end"><a class="link-act" href="{{ route('purchases.receive', $families->grids === []
            ? $purchase : [$purchase, 'rows' => 1]) }}">{{ $families->grids === [] ? 'Families as grids'
                : 'Each item in a row: to refuse, or to say its cost' }}</a></div>@endif</div>
    @include('design.messages')
    <form method="post" action="{{ route('purchases.received', $purchase) }}" autocomplete="off">@csrf
    <input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="version"
        value="{{ old('version', $purchase->version) }}">
    @foreach($families->grids as $grid)<h2>{{ $grid->family->name }}</h2>
        @include('catalogue.families.grid', ['does' => 'count', 'place' => $purchase->location_id,
            'counts' => $families->toCome(), 'beside' => array_map(fn ($many) => "of {$many}", array_filter(
                $families->toCome()))])@endforeach
    <table class="ruled goods-in @if($families->grids !== []) mt-4 @endif">
        <thead><tr><th>Item</th><th class="figure">To come</th>
        <th class="figure">Came in</th><th class="figure">Refused</th><th>why</th>
        <th class="figure">Cost in all</th></tr></thead><tbody>
        @foreach($purchase->lines->reject(fn ($line) => $families->has($line)) as $line)
            @php($at = $line->position)
            @php($for = array_reduce($meant[$at] ?? [], fn ($sum, $one) => $sum->plus($one->quantity),
                Brick\Math\BigDecimal::zero()))
            <tr><td>{{ $line->item->description }} <span class="code soft">{{ $line->item->code }}</span>
                @if($for->isPositive())<div class="small verdigris">{{ Show::decimal($for) }} for orders of customers
                    </div>@endif
                @if($line->item->has_serials)<input class="form-control form-control-sm" name="serials[{{ $at }}]"
                    placeholder="serial numbers" aria-label="Serial numbers of {{ $line->item->description }}"
                        value="{{ old("serials.{$at}") }}">@endif
                @include('design.complaint', ['field' => "quantity.{$at}"])</td>
            <td class="figure">{{ Show::decimal($line->toCome()) }}</td>
            <td class="figure"><input class="form-control text-end w-6 @error("quantity.{$at}") is-refused @enderror"
                name="quantity[{{ $at }}]" inputmode="decimal" aria-label="{{ $line->item->description }} came in"
                    @if($loop->first) autofocus @endif value="{{ old("quantity.{$at}",
                        $line->toCome()->isZero() ? '' : Show::decimal($line->toCome())) }}"></td>
            <td class="figure"><input class="form-control text-end w-5" name="refused[{{ $at }}]" inputmode="decimal"
                aria-label="{{ $line->item->description }} refused" value="{{ old("refused.{$at}") }}"></td>
            <td><select class="form-select" name="why[{{ $at }}]"
                aria-label="Why {{ $line->item->description }} is refused"><option value=""></option>
                @foreach(['damaged', 'wrong goods', 'not ordered', 'too late'] as $why)<option
                    @selected(old("why.{$at}") === $why)>{{ $why }}</option>@endforeach</select></td>
            <td class="figure"><input class="form-control text-end w-8" name="worth[{{ $at }}]" inputmode="decimal"
                aria-label="What {{ $line->item->description }} cost in all"
                    placeholder="{{ $line->worth($line->toCome(), $house->currency()) }}"
                        value="{{ old("worth.{$at}") }}"></td></tr>
        @endforeach
        <tr><td><input class="form-control @error('code') is-refused @enderror" name="code"
            placeholder="something else came: code or barcode" aria-label="Code of something else that came"
                value="{{ old('code') }}">@include('design.complaint', ['field' => 'code'])</td><td></td>
            <td class="figure"><input class="form-control text-end w-6" name="many" inputmode="decimal" placeholder="1"
                aria-label="How many of it" value="{{ old('many') }}"></td><td></td><td></td>
            <td class="figure"><input class="form-control text-end w-8" name="more_worth" inputmode="decimal"
                aria-label="What it cost in all" value="{{ old('more_worth') }}">
                @include('design.complaint', ['field' => 'more_worth'])</td></tr>
    </tbody></table>
    <p class="small soft">An empty cost takes the cost expected. Goods go at once to the orders they were bought for,
        then to who waits longest; the rest is stock.</p>
    <div class="d-flex flex-wrap gap-3 align-items-end mt-2">
        <div><label class="small soft d-block" for="delivery_note">Their delivery note</label><input
            class="form-control" id="delivery_note" name="delivery_note" maxlength="60"
                value="{{ old('delivery_note') }}"></div>
        <div><label class="small soft d-block" for="freight">Freight, shared out over the lines</label><input
            class="form-control text-end w-8" id="freight" name="freight" inputmode="decimal" placeholder="none"
                value="{{ old('freight') }}">@include('design.complaint', ['field' => 'freight'])</div>
        <label class="small"><input type="checkbox" class="form-check-input" name="costs_nothing" value="1"
            @checked(old('costs_nothing'))> what has no cost came for nothing</label>
        <button class="main-act narrow">Take it in</button></div>
    </form>
</div>
@endsection
