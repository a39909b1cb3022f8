@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "Sold by {$statement->person->name}")
@section('main')
<div class="page">
    <div class="page-head"><h1>Sold by {{ $statement->person->name }}</h1>
    <span class="soft">{{ $statement->person->number }} · {{ $statement->period->words() }}</span>
    <div class="end"><button type="button" class="link-act" x-data="prints" @click="now">Print</button> ·
        <a class="link-act" href="{{ $report->csvAddress() }}">Save as CSV</a></div></div>
    @include('design.messages')
    <x-period :period="$statement->period" :action="route('shares.show', $statement->person)"/>
    <table class="ruled w-auto share-sums"><tbody>
        <tr><td>Owed before</td><td class="figure">{{ Show::money($statement->before) }}</td></tr>
        <tr><td>Earned, what came back taken off</td>
            <td class="figure">{{ Show::money($statement->earned) }}</td></tr>
        @foreach($statement->payments as $payment)<tr><td>Paid out {{ Show::date($payment->day) }},
            for what was earned up to {{ Show::date($payment->until) }}
            <a class="code" href="{{ route('documents.show', $payment->label) }}">{{ $payment->label }}</a></td>
            <td class="figure">{{ Show::money($payment->amount->negated()) }}</td></tr>@endforeach
        <tr class="total"><td>Owed on {{ Show::date($statement->period->until) }}</td>
            <td class="figure">{{ Show::money($statement->owed()) }}</td></tr>
    </tbody></table>
    @if($pays && $owed->isPositive())
    <form class="filters mt-3 no-print" method="post" action="{{ route('shares.pay', $statement->person) }}"
        autocomplete="off">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <input type="hidden" name="from" value="{{ $statement->period->from->format('Y-m-d') }}">
        <input type="hidden" name="paid_until" value="{{ $statement->period->until->format('Y-m-d') }}">
        <div><label for="amount">Pay out, of {{ Show::money($owed) }}</label><input id="amount" name="amount"
            class="form-control w-6 text-end @error('amount') is-refused @enderror" inputmode="decimal"
            value="{{ old('amount', $owed->toString()) }}">@include('design.complaint', ['field' => 'amount'])</div>
        <div><label for="way">by</label><select class="form-select w-auto" id="way" name="way">
            <option value="bank_transfer" @selected(old('way') === 'bank_transfer')>bank transfer, with the
                wages</option>
            <option value="cash" @selected(old('way') === 'cash')>cash from this drawer</option></select>
            @include('design.complaint', ['field' => 'way'])</div>
        <button class="quiet-act">Pay out</button>
        <x-approval/>
    </form>
    @endif
    <h2 class="mt-4">Line by line</h2>
    <x-report :report="$report"/>
</div>
@endsection
