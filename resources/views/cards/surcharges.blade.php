@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Paying by card')
@section('main')
<div class="page">
    <div class="page-head"><h1>Paying by card</h1><span class="soft">who signs, and what it costs who pays: said before
        the card is asked, back with what goes back to it</span></div>
    @include('design.messages')
    <form class="filters mb-4" method="post" action="{{ route('surcharges.signatures') }}" autocomplete="off">@csrf
        <div><label for="sign_over">Who pays by card or on account signs above</label><input
            class="form-control w-6 text-end @error('sign_over') is-refused @enderror" id="sign_over" name="sign_over"
            inputmode="decimal" placeholder="nobody" value="{{ old('sign_over', $house->shop()->sign_over?->toString()
                ?? '') }}">@include('design.complaint', ['field' => 'sign_over'])</div>
        <label class="align-self-center"><input class="form-check-input" type="checkbox" name="print_signatures"
            value="1" @checked($house->shop()->print_signatures)> on receipts and invoices</label>
        <button class="quiet-act">Keep</button>
    </form>
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
