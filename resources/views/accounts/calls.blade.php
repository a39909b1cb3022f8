@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Who to call')
@section('main')
<div class="page">
    <div class="page-head"><h1>Who to call</h1>
    <span class="soft">broken promises first, then who is due for a call, then the most late</span></div>
    @include('design.messages')
    @if($rows === [])<p class="empty">Nobody is late.</p>@else
    <table class="ruled">
        <thead><tr><th>Why now</th><th>Account</th><th>Name</th><th>Phone</th><th class="figure">Late</th>
        <th class="figure">Over 60 days</th><th class="figure">Balance</th><th>Last call</th></tr></thead>
        <tbody>
        @foreach($rows as $row)
            @php($account = $row->account)
            <tr @class(['soft' => $row->waits()])>
            <td class="{{ $row->urgency() === 0 ? 'brick fw-bold'
                : ($row->urgency() === 1 ? 'ochre fw-bold' : '') }}">{{ $row->why() }}</td><td>
                <a class="code" href="{{ route('accounts.show', $account->number) }}">{{ $account->number }}</a></td>
                <td><a href="{{ route('accounts.show',
                    $account->number) }}">{{ $account->name }}</a>@if($account->stopped) <span
                        class="small brick">on stop</span>@endif</td><td class="text-nowrap">{{ $account->phone }}</td>
                <td class="figure">{{ $account->ageing->late() }}</td>
                <td class="figure">{{ $row->over60()->isZero() ? '' : Show::money($row->over60()) }}</td>
                <td class="figure">{{ $account->ageing->balance }}</td>
                <td>@if($row->last !== null){{ Show::date($row->last->called_on) }}:
                    {{ $row->last->note }}@if($row->last->promised_on !== null) <span
                        class="small">{{ $row->last->promised === null ? ''
                            : Show::money($row->last->promised) }} by
                                {{ Show::date($row->last->promised_on) }}</span>@endif @endif</td></tr>
        @endforeach
        </tbody>
    </table>@endif
</div>
@endsection
