@use('Elmstone\Support\Show')
@extends('layout')
@section('title', $transfer->label)
@section('main')
<div class="page">
    <div class="page-head"><h1>Transfer <span class="code">{{ $transfer->label }}</span></h1>
    <span class="{{ $transfer->isLate($day) ? 'brick' : 'soft' }}">{{ $transfer->isLate($day) ? 'late'
        : $transfer->state->words() }}</span>
    <div class="end"><a class="quiet-act" href="{{ route('transfers.pdf', $transfer) }}">List as PDF</a></div></div>
    @include('design.messages')
    <p><b>{{ $transfer->from->town }}</b> to <b>{{ $transfer->to->town }}</b> · sent
        {{ Show::date($transfer->sent_on) }} by {{ $transfer->staff->name }} (<a class="code"
        href="{{ route('documents.show', $transfer->document) }}">{{ $transfer->document->label }}</a>) ·
        {{ $transfer->isOnItsWay() ? 'expected '.Show::date($transfer->expected_on)
            : 'ended '.Show::date($transfer->ended_on) }}@if($transfer->note !== '') · “{{ $transfer->note }}”@endif</p>
    @if($transfer->isOnItsWay() && ! $mayCount)<div class="note"><p>It is counted in at a till in
        {{ $transfer->to->town }}, or in {{ $transfer->from->town }} if it comes back. You are in {{ $here->town }}.</p>
        </div>@endif
    <form method="post" action="{{ route('transfers.count', $transfer) }}" autocomplete="off">@csrf
    <input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="version"
        value="{{ old('version', $transfer->version) }}">
    <table class="ruled"><thead><tr><th>Item</th><th class="figure">Sent</th><th class="figure">Counted in</th>
        <th class="figure">Missing</th><th class="figure">On its way</th>
        @if($mayCount)<th class="figure">Here now</th><th class="figure">Missing</th>@endif</tr></thead><tbody>
        @foreach($transfer->lines as $line)
            @php($at = $line->position)
            @php($open = $mayCount && ! $line->toCome()->isZero())
            <tr><td>{{ $line->item->description }} <span class="code soft">{{ $line->item->code }}</span>
                @if($open && $line->item->has_serials)<input class="form-control form-control-sm"
                    name="serials[{{ $at }}]" placeholder="serial numbers that are here"
                        aria-label="Serial numbers of {{ $line->item->description }}"
                            value="{{ old("serials.{$at}") }}">@endif
                @include('design.complaint', ['field' => "arrived.{$at}"])</td>
            <td class="figure">{{ Show::decimal($line->quantity) }}</td>
            <td class="figure">{{ Show::decimal($line->arrived) }}</td>
            <td class="figure {{ $line->missing > 0 ? 'brick' : '' }}">{{ Show::decimal($line->missing) }}</td>
            <td class="figure">{{ Show::decimal($line->toCome()) }}</td>
            @if($mayCount)<td class="figure">@if($open)<input class="form-control text-end w-6 ms-auto
                @error("arrived.{$at}") is-refused @enderror" name="arrived[{{ $at }}]" inputmode="decimal"
                    aria-label="{{ $line->item->description }} here" @if($loop->first) autofocus @endif
                        value="{{ old("arrived.{$at}", $here->id === $transfer->to_id
                            ? Show::decimal($line->toCome()) : '') }}">@endif</td>
            <td class="figure">@if($open)<input class="form-control text-end w-5 ms-auto" name="missing[{{ $at }}]"
                inputmode="decimal" aria-label="{{ $line->item->description }} missing"
                    value="{{ old("missing.{$at}") }}">@endif</td>@endif</tr>
        @endforeach
    </tbody></table>
    @if($mayCount)<p class="small soft">What is typed under neither stays on its way. What is missing for good leaves
        the books, within what you may write off.</p>
    <div class="d-flex flex-wrap gap-3 align-items-end mt-2">
        <div class="flex-fill"><label class="small soft d-block" for="why">Why something is missing</label><input
            class="form-control @error('why') is-refused @enderror" id="why" name="why" maxlength="120"
                value="{{ old('why') }}">@include('design.complaint', ['field' => 'why'])</div>
        <button class="main-act narrow">{{ $here->id === $transfer->to_id ? 'Count it in'
            : 'It came back: count it in' }}</button></div>@endif
    </form>
    @if($transfer->counts->isNotEmpty())<h2 class="mt-4">Counted</h2>
    <table class="ruled small"><thead><tr><th>Document</th><th>Date</th><th>By</th><th>Item</th>
        <th class="figure">Counted in</th><th class="figure">Missing</th><th>Why</th></tr></thead>
        @foreach($transfer->counts as $one)<tr>
            <td><a class="code"
                href="{{ route('documents.show', $one->document) }}">{{ $one->document->label }}</a></td>
            <td class="nowrap">{{ Show::date($one->document->business_date) }}</td>
            <td>{{ $one->document->staff->name }}</td>
            <td>{{ $transfer->lines->firstWhere('position', $one->position)?->item->description }}</td>
            <td class="figure">{{ $one->is_missing ? '' : Show::decimal($one->quantity) }}</td>
            <td class="figure">{{ $one->is_missing ? Show::decimal($one->quantity) : '' }}</td>
            <td>{{ $one->why }}</td></tr>@endforeach</table>@endif
</div>
@endsection
