@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Card surcharges')
@section('main')
<div class="page">
    <div class="page-head"><h1>Card surcharges</h1><span class="soft">what paying a sale by card costs who pays; it is
        said before the card is asked, and comes back with what goes back to the card</span></div>
    @include('design.messages')
    @foreach($places as $place)
    @php($mine = old('place') === (string) $place->id)
    @php($old = fn (string $field, string $is): string => $mine ? (string) old($field, $is) : $is)
    <form class="stack mb-4" method="post" action="{{ route('surcharges.save', $place) }}" autocomplete="off">@csrf
        <input type="hidden" name="place" value="{{ $place->id }}">
        <h2>{{ $place->name }}, {{ $place->town }}</h2>
        <div class="filters">
            <div><label for="most{{ $place->id }}">The law allows at most, %</label><input
                class="form-control w-6 text-end @if($mine) @error('most') is-refused @enderror @endif"
                id="most{{ $place->id }}" name="most" inputmode="decimal" placeholder="–"
                value="{{ $old('most', $place->surcharge_most === null ? ''
                    : Show::decimal($place->surcharge_most)) }}">
                @if($mine)@include('design.complaint', ['field' => 'most'])@endif</div>
            @foreach(['credit' => 'Credit cards', 'debit' => 'Debit cards'] as $type => $label)
            @php($rule = ($rules[$place->id] ?? [])[$type] ?? null)
            @foreach(['percent' => ["{$label}, %", $rule === null ? '' : Show::decimal($rule->percent)],
                'cap' => ['at most', $rule?->cap?->toString() ?? '']] as $what => [$words, $is])
            <div><label for="{{ $type }}-{{ $what }}{{ $place->id }}">{{ $words }}</label><input
                class="form-control w-6 text-end @if($mine) @error("{$type}_{$what}") is-refused @enderror @endif"
                id="{{ $type }}-{{ $what }}{{ $place->id }}" name="{{ $type }}_{{ $what }}" inputmode="decimal"
                placeholder="–" value="{{ $old("{$type}_{$what}", $is) }}">
                @if($mine)@include('design.complaint', ['field' => "{$type}_{$what}"])@endif</div>@endforeach
            @endforeach
            <div><label for="class{{ $place->id }}">Its tax</label><select class="form-select" name="class"
                id="class{{ $place->id }}"><option value="">not taxed</option>
                @foreach($classes as $class)<option value="{{ $class->code }}"
                    @selected($old('class', $place->surcharge_class ?? '') === $class->code)>{{ $class->name }}</option>
                @endforeach</select></div>
        </div>
        <div><label for="words{{ $place->id }}">Said to who pays, before their card is asked</label><input
            class="form-control @if($mine) @error('words') is-refused @enderror @endif" id="words{{ $place->id }}"
            name="words" maxlength="300" value="{{ $old('words', $place->surcharge_words) }}">
            @if($mine)@include('design.complaint', ['field' => 'words'])@endif</div>
        <div><button class="quiet-act">Keep</button></div>
    </form>
    @endforeach
    <p class="small soft">Empty or 0: such cards cost nothing. Only what a card pays of a sale costs something;
        deposits, payments on account, layaways and orders do not.</p>
</div>
@endsection
