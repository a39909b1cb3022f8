@use('Elmstone\Interchange\Bank\Read\BankColumns')
@use('Elmstone\Interchange\Bank\Read\DateOrder')
@extends('layout')
@section('title', 'Columns of a bank’s table')
@section('main')
<div class="page">
    <p class="small soft mb-1">
    <a href="{{ route('accounts') }}">Accounts</a> / <a href="{{ route('bank') }}">Bank files</a></p>
    <div class="page-head"><div><h1>Which column is what?</h1>
    <p class="soft mb-0">{{ $file->name }} is the first table of this kind. What you say here is kept for the next one.
    </p></div></div>
    @include('design.messages')
    <div class="table-responsive"><table class="ruled small"><thead><tr>@foreach($table->head as $name)
    <th>{{ $name }}</th>@endforeach</tr></thead>
        <tbody>@foreach($sample as $row)<tr>@foreach($table->head as $name)<td>{{ $row[$name] }}</td>@endforeach</tr>
        @endforeach</tbody></table></div>
    <form method="post" action="{{ route('bank.columns', $file->id) }}" class="mt-3">@csrf
        <div class="filters flex-wrap">
            @foreach(BankColumns::WORDS as $says => $words)
                <div><label for="is-{{ $says }}">{{ $words }}</label>
                <select class="form-select" id="is-{{ $says }}" name="names[{{ $says }}]"><option value="">–</option>
                @foreach($table->head as $name)@if($name !== '')
                <option value="{{ $name }}"
                    @selected(old("names.{$says}", $guess->names[$says] ?? '') === $name)>{{ $name }}</option>
                    @endif @endforeach</select></div>
            @endforeach
            <div><label for="dates">Dates are written</label><select class="form-select" id="dates" name="dates">
            @foreach(DateOrder::cases() as $order)
            <option value="{{ $order->value }}"
                @selected(old('dates', $guess->dates->value) === $order->value)>{{ $order->words() }}</option>
                @endforeach</select></div>
            <div><label for="mark">Amounts are written</label><select class="form-select" id="mark" name="mark">
            <option value="." @selected(old('mark', $guess->mark) === '.')>1,234.50</option>
            <option value="," @selected(old('mark', $guess->mark) === ',')>1.234,50</option></select></div>
        </div>
        <button class="main-act narrow">Read it so</button>
    </form>
</div>
@endsection
