@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Send goods')
@section('main')
<div class="page">
    <div class="page-head"><h1>Send goods</h1><span class="soft">from {{ $here->name }} to another location; they leave
        stock here at once</span></div>
    @include('design.messages')
    @if($to === null)<p class="empty">There is no other location to send goods to.</p>@else
    <form method="get" action="{{ route('transfers.create') }}" class="filters"><div class="choices" role="group"
        aria-label="Where to">@foreach($places as $one)<a href="{{ route('transfers.create', ['to' => $one->id]) }}"
            @if($one->id === $to->id) aria-current="true" @endif>{{ $one->town }}</a>@endforeach</div></form>
    <form method="post" action="{{ route('transfers.store') }}" autocomplete="off">@csrf
    <input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="to" value="{{ $to->id }}">
    @include('design.complaint', ['field' => 'to'])
    <table class="ruled sheet-table" x-data="scanSheet" @keydown="scanned">
        <thead><tr><th>Code or barcode</th><th class="figure">How many</th>
        <th>Serial numbers</th><td></td></tr></thead><tbody>
        @foreach($wanted as $row => $one)<tr data-codes="{{ $one['item']->code }} {{ $one['item']->barcode }}">
            <td><input type="hidden" name="rows[{{ $row }}][code]" value="{{ $one['item']->code }}"><input type="hidden"
                name="rows[{{ $row }}][proposed]" value="1">{{ $one['item']->description }}
                <span class="code soft">{{ $one['item']->code }}</span>
                @include('design.complaint', ['field' => "rows.{$row}"])</td>
            <td><input class="form-control text-end w-6 ms-auto" name="rows[{{ $row }}][many]" inputmode="decimal"
                data-many aria-label="How many of {{ $one['item']->description }}" @if($loop->first) autofocus @endif
                    value="{{ old("rows.{$row}.many", Show::decimal($one['quantity'])) }}"></td>
            <td>@if($one['item']->has_serials)<input class="form-control" name="rows[{{ $row }}][serials]"
                aria-label="Serial numbers of {{ $one['item']->description }}"
                    value="{{ old("rows.{$row}.serials") }}">@endif</td>
            <td class="small soft">customers in {{ $to->town }} wait for {{ Show::decimal($one['wanted']) }}</td>
        </tr>@endforeach
        @for($row = count($wanted); $row < count($wanted) + $rows; $row++)<tr>
            <td><input class="form-control @error("rows.{$row}") is-refused @enderror" name="rows[{{ $row }}][code]"
                data-code aria-label="Item {{ $row + 1 }}" value="{{ old("rows.{$row}.code") }}"
                    @if($wanted === [] && $row === 0) autofocus @endif>
                @include('design.complaint', ['field' => "rows.{$row}"])</td>
            <td><input class="form-control text-end w-6 ms-auto" name="rows[{{ $row }}][many]" inputmode="decimal"
                data-many aria-label="How many" value="{{ old("rows.{$row}.many") }}"></td>
            <td><input class="form-control" name="rows[{{ $row }}][serials]" aria-label="Serial numbers"
                value="{{ old("rows.{$row}.serials") }}"></td><td></td></tr>@endfor
    </tbody></table>
    <div class="d-flex flex-wrap gap-3 align-items-end mt-2">
        <div><label class="small soft d-block" for="expected_on">There on</label><input type="date"
            class="form-control @error('expected_on') is-refused @enderror" id="expected_on" name="expected_on"
                value="{{ old('expected_on') }}">@include('design.complaint', ['field' => 'expected_on'])</div>
        <div class="flex-fill"><label class="small soft d-block" for="note">Note</label><input class="form-control"
            id="note" name="note" maxlength="255" value="{{ old('note') }}"></div>
        <button class="main-act narrow">Send to {{ $to->town }}</button></div>
    </form>@endif
</div>
@endsection
