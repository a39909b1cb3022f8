@extends('layout')
@section('title', 'Return rules')
@section('main')
<div class="page">
    <div class="page-head"><h1>Return rules</h1>
    <span class="soft">what is taken back, how long, and for which fee; outside them a supervisor may approve</span>
    </div>
    @include('design.messages')
    <table class="ruled rules-table">
        <thead><tr><th>Rule</th><th>Taken back</th><th class="figure">Days</th><th class="figure">Restocking fee, %</th>
        <th>In what state</th><td></td></tr></thead>
        @foreach([...$policies, null] as $policy)
            @php($id = $policy === null ? 'new' : "p{$policy->id}")
            <tr>
                <td><form id="{{ $id }}" method="post"
                    action="{{ $policy === null ? route('return-rules.store')
                        : route('return-rules.update', $policy) }}">@csrf</form>
                        <input class="form-control" form="{{ $id }}" name="name" maxlength="60"
                            aria-label="Name of the rule" placeholder="{{ $policy === null ? 'a new rule' : '' }}"
                                value="{{ $policy?->name }}"></td>
                <td><label><input type="checkbox" class="form-check-input" form="{{ $id }}" name="returnable" value="1"
                    @checked($policy === null || $policy->returnable)> yes</label></td>
                <td class="figure">
                <input class="form-control text-end" form="{{ $id }}" name="days" inputmode="numeric" size="5"
                    aria-label="Days allowed; empty: for ever" placeholder="any" value="{{ $policy?->days }}"></td>
                <td class="figure">
                <input class="form-control text-end" form="{{ $id }}" name="fee_percent" inputmode="decimal" size="6"
                    aria-label="Restocking fee in percent" placeholder="none"
                        value="{{ $policy?->hasFee() ? $policy->fee_percent->toString() : '' }}"></td>
                <td><input class="form-control" form="{{ $id }}" name="words" maxlength="255"
                    aria-label="In what state" placeholder="unused, in its box" value="{{ $policy?->words }}"></td>
                <td><button class="quiet-act" form="{{ $id }}">{{ $policy === null ? 'Add' : 'Keep' }}</button></td>
            </tr>
        @endforeach
    </table>
    <h2 class="mt-4">Where they hold</h2>
    <form method="post" action="{{ route('return-rules.settings') }}">@csrf
        <div class="item-form">
            <div><label for="return_policy_id">Usually</label>
            <select class="form-select" id="return_policy_id" name="return_policy_id">
            <option value="">nothing said: any time, no fee</option>@foreach($policies as $policy)
            <option value="{{ $policy->id }}"
                @selected($shop->return_policy_id === $policy->id)>{{ $policy->name }}</option>@endforeach</select>
                </div>
            @foreach($departments as $department)
                <div><label for="d{{ $department->id }}">{{ $department->name }}</label>
                <select class="form-select" id="d{{ $department->id }}" name="departments[{{ $department->id }}]">
                <option value="">as usual</option>@foreach($policies as $policy)
                <option value="{{ $policy->id }}"
                    @selected($department->return_policy_id === $policy->id)>{{ $policy->name }}</option>@endforeach
                    </select></div>
            @endforeach
        </div>
        <p class="small soft mt-1">An item can have a rule of its own, on its page.</p>
        <h2 class="mt-4">Without a receipt, and gift cards</h2>
        @can('manage-staff')
        <p class="small soft">What a clerk may hand out stands with the <a href="{{ route('limits') }}">limits</a>.</p>
        @endcan
        <div class="item-form">
            <div><label for="blind_days">Without a receipt: lowest price of the last days</label><input
                class="form-control text-end" id="blind_days" name="blind_days" inputmode="numeric"
                    value="{{ old('blind_days', $shop->blind_days) }}">@include('design.complaint',
                        ['field' => 'blind_days'])</div>
            <div><label for="gift_card_months">Gift cards are good for months</label><input
                class="form-control text-end" id="gift_card_months" name="gift_card_months" inputmode="numeric"
                    placeholder="no end"
                        value="{{ old('gift_card_months', $shop->gift_card_months) }}">@include('design.complaint',
                            ['field' => 'gift_card_months'])</div>
        </div>
        <button class="quiet-act mt-3">Keep</button>
    </form>
</div>
@endsection
