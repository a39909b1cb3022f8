@use('Elmstone\Core\Money\Money')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Day’s takings')
@section('main')
<div class="page">
    <div class="page-head"><h1>Day’s takings</h1><span class="soft">what was sold on a pad or rung up elsewhere; money
        goes in the drawer of {{ $till->name }}</span></div>
    @include('design.messages')
    @php($was = fn (string $field, string $otherwise = ''): string => is_string($typed[$field] ?? null)
        ? $typed[$field] : $otherwise)
    @php($byDay = ($typed === [] ? $house->shop()->takings_by_day : ($typed['by_day'] ?? '') === '1'))
    <form method="post" action="{{ route('takings.check') }}" enctype="multipart/form-data" autocomplete="off">@csrf
        <div class="takings-day">
            <div><label for="day">Which day was it?</label><input class="form-control day
                @error('day') is-refused @enderror" id="day" name="day" placeholder="2026-11-21, 21 Nov, yesterday"
                value="{{ $was('day') }}" @if($report === null) autofocus @endif>
                @include('design.complaint', ['field' => 'day'])</div>
            <div><label for="customer">In the name of customer</label><input class="form-control w-8" id="customer"
                name="customer" inputmode="numeric" placeholder="nobody" value="{{ $was('customer') }}"></div>
            <div role="radiogroup" aria-label="Documents">@foreach(['0' => 'a document for each sale',
                '1' => 'one for the day'] as $value => $words)<label class="d-block"><input type="radio"
                class="form-check-input" name="by_day" value="{{ $value }}" @checked($byDay === ($value === 1))>
                {{ $words }}</label>@endforeach</div>
        </div>
        @if($report !== null)
        <div class="note {{ $report->complaints === [] ? 'done' : 'stop' }}" role="status"><p>
            <strong>{{ count($report->rows) === 1 ? 'One row is' : count($report->rows).' rows are' }} right and
                new</strong>@foreach($report->days() as $day){{ $loop->first ? ', of ' : ' and ' }}<b>{{
                    $day->format('l, j M Y') }}</b>@endforeach{{ $sums === [] ? '' : ': ' }}
            @foreach($sums as $way => $sum){{ Show::money($sum) }} {{ mb_strtolower($way) }}{{ $loop->last ? '.'
                : ', ' }}@endforeach
            @if($report->before !== [])<br>{{ count($report->before) === 1 ? 'One was entered before and stays'
                : count($report->before).' were entered before and stay' }} as
                {{ implode(', ', array_slice(array_unique($report->before), 0, 5)) }}{{
                    count(array_unique($report->before)) > 5 ? ' …' : '' }}.@endif
            @if($report->complaints !== [])<br>{{ count($report->complaints) === 1 ? 'One row is'
                : count($report->complaints).' rows are' }} not right.@endif
            Nothing is posted yet.</p>
            @if($report->isFine())<button class="main-act narrow mt-2" form="posts" autofocus>Post
                {{ Show::money(Money::sum($sums, $house->currency())) }} {{ $house->currency()->code }}, of
                {{ collect($report->days())->map->format('l, j M')->implode(' and ') }}</button>@endif</div>
        @endif
        <table class="ruled sheet-table takings" x-data="scanSheet" @keydown="scanned">
            <thead><tr><th>Item</th><th>or department</th><th class="figure many">How many</th>
            <th class="figure many" title="as the item is priced: each, or per 100">Price</th><th>Tax</th>
            <th>Paid by</th><th>Their number</th><th>Who</th>
            @if($come !== [] && ! $isFile)<th class="figure">Comes to</th>@endif</tr></thead>
            <tbody>
            @php($lines = $report === null || $isFile ? [] : array_keys($rows))
            @foreach($rows as $i => $row)
            @php($said = $isFile ? (array_values($report->complaints ?? [])[$i] ?? null)
                : ($report->complaints[$i + 2] ?? null))
            @php($as = $isFile ? null : ($report->before[$i + 2] ?? null))
            @php($cell = fn (string $name, string $otherwise = ''): string => $row[$name] ?? $otherwise)
            <tr @class(['complained' => $said !== null])>
                <td><input class="form-control" name="rows[{{ $i }}][item]" data-code aria-label="Item {{ $i + 1 }}"
                    maxlength="40" value="{{ $cell('item') }}"></td>
                <td><select class="form-select" name="rows[{{ $i }}][department]" aria-label="Department"><option
                    value="">–</option>@foreach($departments as $code => $name)<option value="{{ $code }}"
                    @selected(mb_strtolower($cell('department')) === mb_strtolower($code))>{{ $name }}</option>
                    @endforeach</select></td>
                <td><input class="form-control text-end" name="rows[{{ $i }}][quantity]" data-many inputmode="decimal"
                    aria-label="How many" value="{{ $cell('quantity') }}"></td>
                <td><input class="form-control text-end" name="rows[{{ $i }}][price]" inputmode="decimal"
                    aria-label="Price of one" value="{{ $cell('price') }}"></td>
                <td><select class="form-select" name="rows[{{ $i }}][tax]" aria-label="Is tax in the price?">
                    @foreach(['with' => 'in it', 'without' => 'to be added'] as $value => $words)<option
                    value="{{ $value }}" @selected($cell('tax') === $value)>{{ $words }}</option>@endforeach</select>
                    </td>
                <td><select class="form-select" name="rows[{{ $i }}][tender]" aria-label="Paid by">
                    @foreach(['cash', 'card', 'cheque', 'transfer'] as $way)<option
                    @selected($cell('tender') === $way)>{{ $way }}</option>@endforeach</select></td>
                <td><input class="form-control" name="rows[{{ $i }}][number]" maxlength="40" aria-label="Their number"
                    value="{{ $cell('number') }}"></td>
                <td><input class="form-control" name="rows[{{ $i }}][who]" maxlength="80" aria-label="Who bought it"
                    value="{{ $cell('who') }}">
                    <input type="hidden" name="rows[{{ $i }}][date]" value="{{ $cell('date') }}">
                    <input type="hidden" name="rows[{{ $i }}][time]" value="{{ $cell('time') }}">
                    <input type="hidden" name="rows[{{ $i }}][description]" value="{{ $cell('description') }}"></td>
                @if($come !== [] && ! $isFile)<td class="figure">{{ $come[$i + 2] ?? '' }}</td>@endif
            </tr>
            @if($said !== null || $as !== null)<tr class="said"><td colspan="9">@if($said !== null)<p class="complaint
                mb-0" role="alert">{{ $said }}</p>@else<p class="small soft mb-0">entered before, as {{ $as }}</p>@endif
                </td></tr>@endif
            @endforeach
            </tbody>
        </table>
        <div class="d-flex gap-3 align-items-end mt-2 mb-3">
            <div class="flex-fill"><label for="file" class="small soft">or a file (CSV) whose first row names the
                columns: <span class="code">{{ implode(', ', $columns) }}</span></label><input class="form-control"
                type="file" id="file" name="file" accept=".csv,.txt,text/csv"></div>
            <button class="{{ $report?->isFine() ? 'quiet-act' : 'main-act narrow' }}">Check it</button></div>
    </form>
    @if($report?->isFine())
    <form method="post" action="{{ route('takings.post') }}" id="posts">@csrf
        <input type="hidden" name="csv" value="{{ $csv }}"><input type="hidden" name="day" value="{{ $was('day') }}">
        <input type="hidden" name="customer" value="{{ $was('customer') }}">
        <input type="hidden" name="by_day" value="{{ $byDay ? 1 : 0 }}"></form>
    @endif
    @if($done->isNotEmpty())
    <h2>Entered of late</h2>
    <table class="ruled w-auto"><thead><tr><th>When</th><th>By</th><th class="figure">Rows</th><th class="figure">Taken
        </th></tr></thead>@foreach($done as $one)<tr><td class="nowrap">{{ Show::moment(now()->parse($one->made_at)) }}
        </td><td>{{ $people[$one->staff_id] ?? '' }}</td><td class="figure">{{ $one->count }}</td><td class="figure">{{
            Show::money($house->money((int) $one->amount)) }}</td></tr>@endforeach</table>
    @endif
    @can('set-house-terms')
    <form method="post" action="{{ route('takings.terms') }}" class="mt-3 small">@csrf<input type="hidden"
        name="by_day" value="{{ $house->shop()->takings_by_day ? 0 : 1 }}">A sheet begins with
        {{ $house->shop()->takings_by_day ? 'one document for the day' : 'a document for each sale' }}. <button
            class="link-act">{{ $house->shop()->takings_by_day ? 'A document for each sale instead'
                : 'One for the day instead' }}</button></form>
    @endcan
</div>
@endsection
