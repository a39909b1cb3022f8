@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Coupons')
@section('main')
@php
    $off = fn ($one): string => match (true) {
        $one === null => '',
        $one->percent !== null => $one->percent->toString().' %',
        default => $one->amount->toString(),
    };
@endphp
<div class="page">
    <div class="page-head"><h1>Coupons</h1>
    <span class="soft">shown at the counter by their code: Alt K, or in the entry line · {{ $house->currency()
        ->code }}</span></div>
    @include('design.messages')
    <div class="split">
    <div>
    @if($coupons->isEmpty())<p class="empty">No coupon has been given out.</p>
    @else
    <table class="ruled">
        <thead><tr><th>Code</th><th>Words</th><th class="figure">Off</th><th>For</th><th>From – until</th>
        <th class="figure">Used</th><td></td></tr></thead>
        @foreach($coupons as $one)
            <tr @class(['soft' => $one->hindrance($today) !== ''])><td><span class="code">{{ $one->code }}</span></td>
            <td>{{ $one->description }}
                <div class="small soft">{{ implode(', ',
                    array_filter([$one->least_spend === null ? '' : 'from '.Show::money($one->least_spend), $one->alone
                        ? 'not with others' : '', $one->most_uses === 1 ? 'once' : ''])) }}</div></td>
                <td class="figure">{{ $off($one) }}</td>
                <td class="small">{{ $one->isForAll() ? 'everything'
                    : implode(', ',
                        array_filter([$one->items === null ? ''
                            : count($one->items).' '.(count($one->items) === 1 ? 'item' : 'items'),
                                implode(', ',
                                    $departments->whereIn('id', $one->departments
                                        ?? [])->pluck('name')->all())])) }}</td>
                <td class="small nowrap">{{ Show::date($one->starts_on) }} – {{ $one->ends_on === null ? 'no end'
                    : Show::date($one->ends_on) }}@if($one->hindrance($today) !== '')
                    <div class="ochre">{{ $one->hindrance($today) }}</div>@endif</td>
                <td class="figure">{{ $one->uses }}{{ $one->most_uses === null ? '' : " of {$one->most_uses}" }}</td>
                <td>@can('edit-coupons')<a class="link-act"
                    href="{{ route('coupons', ['change' => $one->id]) }}">Change</a>@endcan</td></tr>
        @endforeach
    </table>
    @endif
    </div>
    @can('edit-coupons')
    <aside>
        <h2>{{ $coupon === null ? 'A new coupon' : "Change {$coupon->code}" }}</h2>
        <form method="post" action="{{ $coupon === null ? route('coupons.store') : route('coupons.update', $coupon) }}"
            class="stack">@csrf
            @foreach([['code', 'Code', $coupon?->code], ['description', 'Words', $coupon?->description],
                ['off', 'Off: 10 % or an amount', $off($coupon)],
                    ['items', 'Items, by code; empty: all', $codes]] as [$name, $label, $value])
                <div><label for="{{ $name }}">{{ $label }}</label><input
                    class="form-control @error($name) is-refused @enderror" id="{{ $name }}" name="{{ $name }}"
                        autocomplete="off"
                            value="{{ (string) old($name, $value ?? '') }}">@include('design.complaint',
                                ['field' => $name])</div>
            @endforeach
            <div><label for="departments">Departments; none chosen: all</label>
            <select class="form-select" id="departments" name="departments[]" multiple size="4">
            @foreach($departments as $department)
            <option value="{{ $department->id }}"
                @selected(in_array($department->id,
                    array_map('intval', (array) old('departments', $coupon->departments ?? [])),
                        true))>{{ $department->name }}</option>@endforeach</select></div>
            <div class="row g-2">
                @foreach([['starts_on', 'From', $coupon?->starts_on->format('Y-m-d')
                    ?? $today->format('Y-m-d'), 'date'],
                        ['ends_on', 'Until', $coupon?->ends_on?->format('Y-m-d'), 'date'],
                            ['least_spend', 'Least spend', $coupon?->least_spend === null ? ''
                                : $coupon->least_spend->toString(), 'text'],
                                    ['most_uses', 'Most uses', (string) $coupon?->most_uses, 'text']] as [$name,
                                        $label, $value, $type])
                    <div class="col-6">
                    <label for="{{ $name }}">{{ $label }}</label><input type="{{ $type }}"
                        class="form-control @error($name) is-refused @enderror" id="{{ $name }}" name="{{ $name }}"
                            autocomplete="off"
                                value="{{ (string) old($name, $value ?? '') }}">@include('design.complaint',
                                    ['field' => $name])</div>
                @endforeach
            </div>
            <label><input type="checkbox" class="form-check-input" name="alone" value="1"
                @checked(old('alone', $coupon?->alone))> Not with other coupons</label>
            <label><input type="checkbox" class="form-check-input" name="active" value="1"
                @checked(old('active', $coupon === null ? true : $coupon->active))> Counts</label>
            <div><button
                class="quiet-act">{{ $coupon === null ? 'Give it out' : 'Keep' }}</button> @if($coupon !== null)<a
                    class="link-act ms-2" href="{{ route('coupons') }}">A new one instead</a>@endif</div>
        </form>
    </aside>
    @endcan
    </div>
</div>
@endsection
