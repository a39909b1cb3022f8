@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Trial balance')
@section('main')
<div class="page">
    <div class="page-head"><h1>Trial balance</h1>
        <span class="soft">{{ $period->words() }} · {{ $house->currency()->code }}</span>
        @include('ledger.pages')</div>
    @include('design.messages')
    <x-period :period="$period" :action="route('ledger')">
        @include('ledger.place')
        <label class="align-self-center small"><input class="form-check-input" type="checkbox" name="closing" value="1"
            @checked($request->withYearEnd())> with what closes the year</label>
    </x-period>
    @php($query = [...$period->query(), ...$request->kept()])
    <p class="text-end mb-1 no-print"><button type="button" class="link-act" x-data="prints"
        @click="now">Print</button> ·
        <a class="link-act" href="{{ route('ledger.csv', $query) }}">Save as CSV</a></p>
    @if($balance->accounts === [])<p class="empty">Nothing was ever posted up to then.</p>@else
    @php($signed = fn ($money) => $money->isZero() ? '' : Show::money($money))
    <table class="ruled ledger">
        <thead><tr><th>Number</th><th>Account</th><th class="figure">Before</th><th class="figure">Debit</th>
            <th class="figure">Credit</th><th class="figure">Stands at</th></tr></thead>
        @foreach($kinds as $kind)
        @php($accounts = $balance->ofKind($kind))
        @continue($accounts === [])
        <tbody>
            <tr class="group"><th colspan="6" scope="rowgroup">{{ $kind->words() }}</th></tr>
            @foreach($accounts as $one)<tr>
                <td><a class="code" href="{{ route('ledger.account',
                    ['account' => $one->account, ...$query]) }}">{{ $one->account->number }}</a></td>
                <td>{{ $one->account->name }}</td>
                <td class="figure">{{ $signed($one->opening) }}</td><td class="figure">{{ $signed($one->debit) }}</td>
                <td class="figure">{{ $signed($one->credit) }}</td>
                <td class="figure">{{ $signed($one->closing()) }}</td></tr>@endforeach
            @php($sums = $balance->sums($accounts))
            <tr class="subtotal"><td></td><td>{{ $kind->words() }}, together</td>
                @foreach($sums as $sum)<td class="figure">{{ Show::money($sum) }}</td>@endforeach</tr>
        </tbody>
        @endforeach
        @php($sums = $balance->sums())
        <tfoot><tr class="total"><td colspan="2">All accounts</td>
            @foreach($sums as $sum)<td class="figure">{{ Show::money($sum) }}</td>@endforeach</tr></tfoot>
    </table>
    @php($profit = $balance->profit())
    <p class="mt-3"><strong>{{ $profit->isNegative() ? 'Loss' : 'Profit' }}
        {{ Show::money($profit->abs()) }}</strong> <span class="soft">in this time: income less cost and expense.
        Debits stand above zero, credits below; all accounts together stand at nothing.</span></p>
    @endif
</div>
@endsection
