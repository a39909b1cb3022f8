@use('Elmstone\Support\Show')
@use('Elmstone\Returns\WriteOffReason')
@extends('layout')
@section('title', 'Write-offs')
@section('main')
<div class="page">
    <div class="page-head"><h1>Write goods off</h1>
    <span class="soft">at {{ $location->name }}; they leave stock and the books at cost</span></div>
    @include('design.messages')
    <form method="post" action="{{ route('write-offs.store') }}" autocomplete="off">
    @csrf<input type="hidden" name="key" value="{{ $key }}">
        <table class="ruled sheet-table" x-data="scanSheet" @keydown="scanned">
            <thead><tr><th>Code or barcode</th><th class="figure">How many</th><th>Why</th><th>Note</th>
            <th>Serial numbers</th></tr></thead>
            @for($row = 0; $row < $rows; $row++)
                <tr><td><input class="form-control @error("rows.{$row}") is-refused @enderror"
                    name="rows[{{ $row }}][code]" data-code aria-label="Item {{ $row + 1 }}"
                        value="{{ old("rows.{$row}.code") }}" @if($row === 0) autofocus @endif>@error("rows.{$row}")
                        <p class="complaint mb-0">{{ $message }}</p>@enderror</td>
                    <td><input class="form-control text-end" name="rows[{{ $row }}][quantity]" inputmode="decimal"
                        data-many aria-label="How many" value="{{ old("rows.{$row}.quantity") }}"></td>
                    <td><select class="form-select" name="rows[{{ $row }}][reason]" aria-label="Why">
                    @foreach($reasons->offered() as $reason)
                    <option value="{{ $reason->value }}"
                        @selected(old("rows.{$row}.reason") === $reason->value)>{{ $reasons->words($reason) }}</option>
                        @endforeach</select></td>
                    <td><input class="form-control" name="rows[{{ $row }}][note]" maxlength="255" aria-label="Note"
                        value="{{ old("rows.{$row}.note") }}"></td>
                    <td><input class="form-control" name="rows[{{ $row }}][serials]" aria-label="Serial numbers"
                        value="{{ old("rows.{$row}.serials") }}"></td></tr>
            @endfor
        </table>
        <x-approval id="wo" when="More than there is by the books, or more than you may: another person allows it."/>
        <div class="d-flex gap-2 align-items-end mt-2"><div class="flex-fill">
        <label for="note" class="small soft">On the whole sheet</label><input class="form-control" id="note"
            name="note" maxlength="255" value="{{ old('note') }}"></div><button class="quiet-act">Write off</button>
            </div>
    </form>
    @if($done->isNotEmpty())
        <h2 class="mt-4">Written off</h2>
        <table class="ruled">
            <thead><tr><th>Document</th><th>Date</th><th>By</th><th>Goods</th><th class="figure">At cost</th><td></td>
            </tr></thead>
            @foreach($done as $document)<tr><td class="nowrap">
            <a class="code" href="{{ route('documents.show', $document) }}">{{ $document->label }}</a></td>
            <td class="nowrap">{{ Show::date($document->business_date) }}</td><td>{{ $document->staff->name }}</td>
            <td class="small">
            @foreach($document->lines as $line){{ Show::decimal($line->quantity) }} × {{ $line->description }},
                {{ ($why = WriteOffReason::tryFrom((string) $line->reason)) === null ? '' : $reasons->words($why) }}{{
                    $line->note === '' ? '' : " ({$line->note})" }}{{ $loop->last ? '' : '; ' }}@endforeach</td>
                    <td class="figure">{{ $document->cost() }}</td><td>
                    @if($takenBack->has($document->id))<span
                        class="small soft">taken back as {{ $takenBack[$document->id] }}</span>@else
                        <form class="d-flex gap-1" method="post"
                            action="{{ route('write-offs.take-back', $document) }}">
                            @csrf<input class="form-control form-control-sm" name="reason" maxlength="255"
                                placeholder="why it was wrong"
                                    aria-label="Why {{ $document->label }} is taken back"><button
                                        class="link-act text-nowrap">Take back</button></form>@endif</td></tr>
                                        @endforeach
        </table>
    @endif
</div>
@endsection
