@extends('layout')
@section('title', 'Entry by hand')
@section('main')
<div class="page">
    <div class="page-head"><h1>Entry by hand</h1><span class="soft">{{ $house->currency()->code }}; both sides come to
        the same, and another person allows it</span>@include('ledger.pages')</div>
    @include('design.messages')
    <form method="post" action="{{ route('ledger.entry.store') }}" autocomplete="off">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <div class="filters">
            <div><label for="day">Day</label><input type="date" id="day" name="day"
                class="form-control w-auto @error('day') is-refused @enderror"
                value="{{ old('day', $today->format('Y-m-d')) }}">@include('design.complaint', ['field' => 'day'])</div>
            <div><label for="reason">What it is for</label><input id="reason" name="reason"
                size="48"
                class="form-control w-auto @error('reason') is-refused @enderror" maxlength="200"
                value="{{ old('reason') }}">
                @include('design.complaint', ['field' => 'reason'])</div>
        </div>
        <table class="ruled w-auto">
            <thead><tr><th>Account</th><th class="figure">Debit</th><th class="figure">Credit</th></tr></thead>
            <tbody>@for($row = 0; $row < $rows; $row++)<tr>
                <td><input class="form-control @error("rows.{$row}") is-refused @enderror" list="chart" size="34"
                    name="rows[{{ $row }}][account]" id="rows-{{ $row }}" aria-label="Account of row {{ $row + 1 }}"
                    value="{{ old("rows.{$row}.account") }}" placeholder="{{ $row === 0 ? 'number' : '' }}">
                    @include('design.complaint', ['field' => "rows.{$row}", 'id' => "rows-{$row}"])</td>
                @foreach(['debit', 'credit'] as $side)<td><input class="form-control text-end w-6" inputmode="decimal"
                    name="rows[{{ $row }}][{{ $side }}]" aria-label="{{ ucfirst($side) }} of row {{ $row + 1 }}"
                    value="{{ old("rows.{$row}.{$side}") }}"></td>@endforeach</tr>@endfor</tbody>
        </table>
        @include('design.complaint', ['field' => 'rows'])
        <datalist id="chart">@foreach($accounts as $account)<option
            value="{{ $account->number }}">{{ $account->name }}</option>@endforeach</datalist>
        <x-approval when="Another person allows it:"/>
        <button class="main-act w-auto mt-3">Enter it</button>
    </form>
</div>
@endsection
