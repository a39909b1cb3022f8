@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Commission rates')
@section('main')
<div class="page">
    <div class="page-head"><h1>Commission rates</h1>
        <span class="soft">A person’s rate holds, else that of the goods, else the house’s.</span></div>
    @include('design.messages')
    <form class="filters" method="post" action="{{ route('shares.terms') }}">@csrf
        <div><label for="earned_at">Commission is earned</label>
        <select class="form-select w-auto" id="earned_at" name="earned_at">
            <option value="invoice" @selected($earned->value === 'invoice')>when what was sold is invoiced</option>
            <option value="payment" @selected($earned->value === 'payment')>as its invoice is paid</option></select>
        </div>
        <button class="quiet-act">Keep</button>
    </form>
    @if($rates === [])<p class="empty">No commission is paid. Set the first rate below.</p>@else
    <table class="ruled">
        <thead><tr><th>Whose</th><th class="figure">Percent</th><th>of</th><th>From</th><th>Last day</th><td></td></tr>
        </thead>
        <tbody>@foreach($rates as $rate)<tr @class(['soft' => ! $rate['holds']])>
            <td>{{ $rate['whose'] }}</td><td class="figure">{{ Show::decimal($rate['rate']) }}</td>
            <td>{{ $rate['of'] }}</td><td class="nowrap">{{ Show::date($rate['from']) }}</td>
            <td class="nowrap">{{ $rate['until'] === null ? 'until further notice' : Show::date($rate['until']) }}</td>
            <td>@if($rate['until'] === null || $rate['until']->greaterThan($today))
            <form class="d-flex gap-2" method="post" action="{{ route('shares.rates.end', $rate['id']) }}">@csrf
                <input class="form-control w-auto" type="date" name="last" required
                    aria-label="Last day of {{ $rate['whose'] }}’s rate"
                    value="{{ $today->endOfMonth()->format('Y-m-d') }}">
                <button class="link-act">End then</button></form>@endif</td></tr>@endforeach</tbody>
    </table>
    @endif
    <h2 class="mt-4">Another rate</h2>
    <form class="filters" method="post" action="{{ route('shares.rates.store') }}" autocomplete="off">@csrf
        <div><label for="whose">Whose</label><select class="form-select w-auto" id="whose" name="whose">
            <option value="house" @selected(old('whose') === 'house')>The house</option>
            <optgroup label="People">@foreach($people as $person)<option value="person:{{ $person->id }}"
                @selected(old('whose') === "person:{$person->id}")>{{ $person->number }} {{ $person->name }}</option>
                @endforeach</optgroup>
            <optgroup label="Goods of a department">@foreach($departments as $id => $name)
                <option value="department:{{ $id }}"
                @selected(old('whose') === "department:{$id}")>{{ $name }}</option>@endforeach</optgroup></select>
            @include('design.complaint', ['field' => 'whose'])</div>
        <div><label for="rate">Percent</label><input id="rate" name="rate" inputmode="decimal"
            class="form-control w-6 text-end @error('rate') is-refused @enderror" value="{{ old('rate') }}">
            @include('design.complaint', ['field' => 'rate'])</div>
        <div><label for="of">of</label><select class="form-select w-auto" id="of" name="of">
            <option value="net">net</option><option value="margin" @selected(old('of') === 'margin')>margin</option>
            </select></div>
        <div><label for="from_day">From</label><input type="date" id="from_day" name="from_day"
            class="form-control w-auto @error('from_day') is-refused @enderror"
            value="{{ old('from_day', $today->format('Y-m-d')) }}">
            @include('design.complaint', ['field' => 'from_day'])</div>
        <div><label for="until_day">Last day, if any</label><input type="date" id="until_day" name="until_day"
            class="form-control w-auto @error('until_day') is-refused @enderror" value="{{ old('until_day') }}">
            @include('design.complaint', ['field' => 'until_day'])</div>
        <button class="quiet-act">Set the rate</button>
    </form>
</div>
@endsection
