@use('Elmstone\Books\JournalRow')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Journal')
@section('main')
<div class="page">
    <div class="page-head"><h1>Journal</h1><span class="soft">{{ Show::date($day) }} ·
        {{ $house->currency()->code }}</span>@include('ledger.pages')</div>
    @include('design.messages')
    <form class="filters" method="get" action="{{ route('ledger.journal') }}">
        @php($kept = $request->location() === null ? [] : ['location' => $request->location()])
        <a class="quiet-act" href="{{ route('ledger.journal',
            ['day' => $day->subDay()->format('Y-m-d'), ...$kept]) }}">The day before</a>
        <div><label for="day">Day</label><input class="form-control w-auto @error('day') is-refused @enderror"
            type="date" id="day" name="day" value="{{ old('day', $day->format('Y-m-d')) }}"></div>
        @include('ledger.place')
        <button class="quiet-act">Show</button>
        <a class="quiet-act" href="{{ route('ledger.journal',
            ['day' => $day->addDay()->format('Y-m-d'), ...$kept]) }}">The day after</a>
        @include('design.complaint', ['field' => 'day'])
    </form>
    @if($documents->isEmpty())<p class="empty">Nothing was posted on this day.</p>@else
    <table class="ruled ledger">
        <thead><tr><th>Document</th><th>Account</th><th class="figure">Debit</th><th class="figure">Credit</th></tr>
        </thead>
        @foreach($documents as $document)<tbody>
            @foreach(JournalRow::inNaturalOrder($document->journal) as $row)<tr>
                @if($loop->first)<td rowspan="{{ $document->journal->count() }}">
                    <a class="code" href="{{ route('documents.show', $document) }}">{{ $document->label }}</a>
                    <div class="small soft">{{ $document->title() }}{{ $document->customer_name === '' ? ''
                        : ", {$document->customer_name}" }}</div></td>@endif
                <td>{{ $row->named->number }} {{ $row->named->name }}</td>
                <td class="figure">{{ $row->debit->isZero() ? '' : Show::money($row->debit) }}</td>
                <td class="figure">{{ $row->credit->isZero() ? '' : Show::money($row->credit) }}</td></tr>@endforeach
        </tbody>@endforeach
    </table>
    {{ $documents->links('design.pages') }}
    @endif
</div>
@endsection
