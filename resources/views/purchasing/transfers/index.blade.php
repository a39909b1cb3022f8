@use('Elmstone\Purchasing\Transfers\TransferState')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Transfers')
@section('main')
<div class="page">
    <div class="page-head"><h1>Transfers</h1><span class="soft">goods between our locations</span>
    <div class="end"><a class="main-act narrow" href="{{ route('transfers.create') }}">Send goods</a></div></div>
    @include('design.messages')
    <div class="filters"><div class="choices" role="group" aria-label="Which">
        @foreach(TransferState::cases() as $one)<a href="{{ route('transfers', ['state' => $one->value]) }}"
            @if($state === $one) aria-current="true" @endif>{{ ucfirst($one->words()) }}</a>@endforeach</div></div>
    @if($transfers->isEmpty())<p class="empty">{{ $state === TransferState::Sent ? 'Nothing is on its way.'
        : 'None yet.' }}</p>@else
    <table class="ruled"><thead><tr><th>Transfer</th><th>From</th><th>To</th><th>Sent</th><th>Expected</th>
        <th>Goods</th></tr></thead><tbody>
        @foreach($transfers as $one)<tr>
            <td><a class="code" href="{{ route('transfers.show', $one) }}">{{ $one->label }}</a></td>
            <td>{{ $one->from->town }}</td>
            <td class="{{ $one->to_id === $here->id && $one->isOnItsWay() ? 'verdigris' : '' }}">{{ $one->to->town }}
                {{ $one->to_id === $here->id && $one->isOnItsWay() ? ', here' : '' }}</td>
            <td class="nowrap">{{ Show::date($one->sent_on) }}</td>
            <td class="nowrap {{ $one->isLate($day) ? 'brick' : '' }}">{{ Show::date($one->expected_on) }}{{
                $one->isLate($day) ? ', late' : '' }}</td>
            <td class="small">@foreach($one->lines->take(3) as $line){{ Show::decimal($line->quantity) }} ×
                {{ $line->item->description }}{{ $loop->last ? '' : ', ' }}@endforeach{{ $one->lines->count() > 3
                    ? ' and '.($one->lines->count() - 3).' more' : '' }}</td></tr>@endforeach</tbody></table>
    {{ $transfers->links() }}@endif
</div>
@endsection
