@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Rewards')
@section('main')
<div class="page">
    <div class="page-head"><h1>Rewards</h1><span class="soft">{{ $programme === null ? 'there is no programme'
        : Show::decimal($programme->perUnit).($programme->perUnit->isEqualTo(1) ? ' point' : ' points')
            .' for each '.$house->currency()->code.' before tax, '.number_format($programme->threshold)
            .' become '.Show::money($programme->reward).' of store credit'
                .($months === null ? '' : "; they run out after {$months} months") }}</span></div>
    @include('design.messages')
    <div class="split">
    <div>
        <p>{{ number_format($outstanding) }} points are out{{ $programme === null ? ''
            : ', worth '.Show::money($programme->rewards($outstanding)->rewards).' when they are full' }}. Given this
            year:
            {{ $given }} {{ $house->currency()->code }}; what of it is not spent stands under
            <a href="{{ route('store-credit') }}">store credit</a>.</p>
        @if($members->isEmpty())<p class="empty">Nobody takes part yet: a tick on a customer’s page, or beside
            their name at the counter.</p>
        @else
        <table class="ruled"><thead><tr><th>Number</th><th>Name</th><th>Since</th><th class="figure">Points</th></tr>
            </thead>
            @foreach($members as $one)<tr><td class="code">{{ $one->number }}</td>
            <td><a href="{{ route('customers.show', $one) }}">{{ $one->name }}</a></td>
            <td class="nowrap">{{ Show::date($one->rewards_on) }}</td>
            <td class="figure {{ $one->points < 0 ? 'brick' : '' }}">{{ number_format((int) $one->points) }}</td></tr>
            @endforeach</table>
        {{ $members->links() }}
        @endif
    </div>
    @can('set-house-terms')<aside>
        <h2>The programme</h2>
        <form method="post" action="{{ route('rewards.terms') }}" class="stack" autocomplete="off">@csrf
            <label><input type="checkbox" class="form-check-input" name="runs" value="1"
                @checked(old('runs', $programme !== null))> Customers who join collect points</label>
            @foreach([['per_unit', "Points for each {$house->currency()->code} before tax",
                $programme === null ? '1' : Show::decimal($programme->perUnit)],
                ['threshold', 'So many points', $programme->threshold ?? ''],
                ['reward', 'become store credit of', $programme?->reward->toString()],
                ['months', 'Points run out after, months; empty: never', $months]] as [$name, $label, $value])
            <div><label class="small soft" for="{{ $name }}">{{ $label }}</label><input class="form-control figure-in
                @error($name) is-refused @enderror" id="{{ $name }}" name="{{ $name }}" inputmode="decimal"
                    value="{{ old($name, $value) }}">@include('design.complaint', ['field' => $name])</div>@endforeach
            <details class="fold" @if($errors->has('rate.*')) open @endif><summary>By department</summary>
                <p class="small soft mb-1">Empty: as above. 0: takes no part.</p>
                @foreach($departments as $one)<div class="row g-2 mb-1"><label class="col-7"
                    for="rate-{{ $one->id }}">{{ $one->name }}</label><div class="col"><input
                        class="form-control figure-in" id="rate-{{ $one->id }}" name="rate[{{ $one->id }}]"
                            inputmode="decimal" value="{{ old("rate.{$one->id}", $one->reward_rate === null ? ''
                                : Show::decimal($one->reward_rate)) }}">
                    @include('design.complaint', ['field' => "rate.{$one->id}"])</div></div>@endforeach</details>
            <button class="quiet-act">Keep</button></form>
    </aside>@endcan
    </div>
</div>
@endsection
