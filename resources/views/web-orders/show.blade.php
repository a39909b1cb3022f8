@use('Elmstone\Support\ShopTime')
@use('Elmstone\Support\Show')
@use('Elmstone\WebOrders\ProblemKind')
@use('Elmstone\WebOrders\WebOrderState')
@extends('layout')
@section('title', "Web order {$web->number}")
@section('main')
@php
    $isOpen = $matched !== null;
    $kinds = $isOpen ? array_map(fn ($one) => $one->kind, $matched->problems) : [];
    $has = fn ($kind) => in_array($kind, $kinds, true);
    $wrong = $errors->any();
@endphp
<div class="page">
    <div class="page-head"><h1>Web order <span class="code">{{ $web->number }}</span></h1>
    <span class="{{ $isOpen ? 'ochre' : 'soft' }}">{{ $web->state->words() }}</span>
    <div class="end">@if($web->order !== null)<a class="main-act narrow"
        href="{{ route('orders.show', $web->order) }}">Order {{ $web->order->label }}</a>@endif
        <a class="quiet-act" href="{{ route('web-orders.xml', $web) }}">As it came</a>
        <a class="quiet-act" href="{{ route('web-orders.response', $web) }}">What we say back</a></div></div>
    @include('design.messages')
    <p>From <b>{{ $web->sender->name }}</b> {{ ['address' => 'over the net', 'file' => 'as a file',
        'folder' => 'by its folder'][$web->via] }},
        {{ ShopTime::at($web->received_at)->format('j M Y, H:i') }} ·
        @if($web->order !== null)<a href="{{ route('customers.show',
            $web->order->customer) }}">{{ $web->order->customer->name }}</a>
        @elseif($matched?->customer !== null)<a href="{{ route('customers.show',
            $matched->customer) }}">{{ $matched->customer->name }}</a>
        @else{{ $incoming->buyerName === '' ? 'nobody is named' : "“{$incoming->buyerName}”" }}@endif
        {{ $incoming->contact === '' ? '' : "for {$incoming->contact}" }}
        · {{ $incoming->deliverTo === '' ? 'they collect it' : $incoming->deliverTo }}
        @if($incoming->wantedOn !== null) · wanted {{ Show::date($incoming->wantedOn) }}@endif
        @if($web->decider !== null) · decided by {{ $web->decider->name }}@endif</p>
    @if($incoming->note !== '')<div class="note"><p>“{{ $incoming->note }}”</p></div>@endif
    @if($web->state === WebOrderState::Refused)<div class="note"><p>Refused: {{ $web->refused_why }}</p></div>@endif
    <form method="post" action="{{ route('web-orders.take', $web) }}" autocomplete="off">@csrf
    <input type="hidden" name="version" value="{{ $web->version }}">
    @if($isOpen)
        @foreach($matched->problemsAt(null) as $problem)<p class="ochre mb-1">{{ $problem->words }}</p>@endforeach
        @foreach($matched->problems === [] ? $web->problemList() : [] as $problem)<p class="ochre mb-1">
            {{ $problem->words }}</p>@endforeach
    @endif
    <table class="ruled mt-2"><thead><tr><th>Their line</th><th class="figure">Quantity</th>
        <th class="figure">Their price</th>@if($isOpen)<th class="figure">Ours</th><th>What is done</th>@endif</tr>
        </thead><tbody>
        @foreach($incoming->lines as $at => $line)
            @php
                $ours = $matched?->lines[$at] ?? null;
                $here = $matched?->problemsAt($at) ?? [];
            @endphp
            <tr><td>{{ $ours === null ? $line->name : $ours->item->description }}
                <span class="code soft">{{ $ours === null ? $line->named() : $ours->item->code }}</span>
                @foreach($here as $problem)@if($problem->kind !== ProblemKind::Price)<div
                    class="small ochre">{{ $problem->words }}</div>@endif @endforeach</td>
            <td class="figure">{{ Show::decimal($line->quantity) }}</td>
            <td class="figure {{ $ours?->hasOtherPrice() ? 'ochre' : '' }}">{{ $line->priceInWords() }}</td>
            @if($isOpen)<td class="figure">{{ $ours?->priceInWords() }}</td>
            <td>@if($here !== [] || is_array(old("rows.{$at}")))@can('take-web-orders')<div
                class="d-flex flex-wrap gap-2 align-items-center">
                @if($ours === null || old("rows.{$at}.code") !== null)<input class="form-control form-control-sm w-8"
                    name="rows[{{ $at }}][code]" placeholder="our code" aria-label="Our code for {{ $line->name }}"
                        value="{{ old("rows.{$at}.code") }}">@endif
                @if($ours?->hasOtherPrice())<input type="hidden" name="rows[{{ $at }}][seen]"
                    value="{{ $ours->priceInWords() }}"><label class="small"><input type="radio"
                    class="form-check-input" name="rows[{{ $at }}][price]" value="ours"
                        @checked(old("rows.{$at}.price") === 'ours')> our price</label>
                    <label class="small"><input type="radio" class="form-check-input" name="rows[{{ $at }}][price]"
                        value="theirs" @checked(old("rows.{$at}.price") === 'theirs')> theirs</label>@endif
                <label class="small"><input type="checkbox" class="form-check-input" name="rows[{{ $at }}][without]"
                    value="1" @checked(old("rows.{$at}.without"))> leave it out</label></div>@endcan @endif</td>@endif
            </tr>
        @endforeach
    </tbody></table>
    @if($isOpen)@can('take-web-orders')
    <div class="d-flex flex-wrap gap-3 align-items-end mt-2">
        @if($has(ProblemKind::Buyer) || old('customer') !== null)<div><label class="small soft d-block"
            for="customer">Who buys: customer’s number</label><input class="form-control w-8" id="customer"
                name="customer" inputmode="numeric" value="{{ old('customer') }}">
            @include('design.complaint', ['field' => 'customer'])</div>@endif
        @if($has(ProblemKind::Freight) || old('freight') !== null)<div><label class="small soft d-block"
            for="freight">Bringing it costs</label><select class="form-select" id="freight" name="freight">
                <option value="ours">what our table says</option>
                <option value="theirs" @selected(old('freight') === 'theirs')>what they say</option></select></div>
            @endif
        @if($has(ProblemKind::Day) || old('any_day') !== null)<div><label class="small soft d-block"
            for="wanted_on">Wanted on another day</label><input type="date" class="form-control" id="wanted_on"
                name="wanted_on" value="{{ old('wanted_on') }}"><input type="hidden" name="any_day" value="1">
            @include('design.complaint', ['field' => 'wanted_on'])</div>@endif
        @if($has(ProblemKind::Allowance) || old('without_allowance') !== null)<label class="small"><input
            type="checkbox" class="form-check-input" name="without_allowance" value="1"
                @checked(old('without_allowance'))> take it without what they take off</label>@endif
        @if($has(ProblemKind::Sum) || old('any_sum') !== null)<label class="small"><input type="checkbox"
            class="form-check-input" name="any_sum" value="1" @checked(old('any_sum'))> the lines are right, their sum
            is not</label>@endif
        @if(! $has(ProblemKind::Currency))<button class="main-act narrow">Take it as an order</button>@endif</div>
    <div class="mt-3"><x-approval id="web" when="Beyond what the account allows, or below the lowest price: another
        person allows it."/></div>
    <div class="d-flex gap-2 align-items-end mt-3"><div class="flex-fill"><label class="small soft d-block"
        for="why">Why it is refused; they are told</label><input class="form-control" id="why" name="why"
            maxlength="255" value="{{ old('why') }}"></div>
        <button class="quiet-act" formaction="{{ route('web-orders.refuse', $web) }}">Refuse it</button></div>
    @endcan @endif
    </form>
    @if($despatches->isNotEmpty())<h2 class="mt-4">What left</h2>
    <table class="ruled small">@foreach($despatches as $one)<tr><td><a class="code"
        href="{{ route('documents.show', $one) }}">{{ $one->label }}</a></td>
        <td class="nowrap">{{ Show::date($one->business_date) }}</td>
        <td><a href="{{ route('web-orders.despatch', [$web, $one]) }}">Despatch advice</a></td></tr>@endforeach</table>
    @endif
</div>
@endsection
