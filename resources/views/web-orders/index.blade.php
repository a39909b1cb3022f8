@use('Elmstone\Support\ShopTime')
@use('Elmstone\WebOrders\WebOrderState')
@extends('layout')
@section('title', 'Orders from the web')
@section('main')
<div class="page">
    <div class="page-head"><h1>From the web</h1><span class="soft">what agrees with ours is an order at once; the rest
        waits here</span>
    @can('interchange')<div class="end"><a class="quiet-act" href="{{ route('web-orders.senders') }}">Senders</a></div>
    @endcan</div>
    @include('design.messages')
    <div class="filters"><div class="choices" role="group" aria-label="Which">
        @foreach([WebOrderState::Look, WebOrderState::Taken, WebOrderState::Refused] as $one)<a
            href="{{ route('web-orders', ['state' => $one->value]) }}" @if($state === $one) aria-current="true"
                @endif>{{ ucfirst($one->words()) }}</a>@endforeach</div></div>
    @if($webs->isEmpty())<p class="empty">{{ $state === WebOrderState::Look ? 'Nothing to look at.' : 'None here.' }}
        </p>@else
    <table class="ruled"><thead><tr><th>Their number</th><th>From</th><th>Came</th>
        <th>{{ $state === WebOrderState::Look ? 'What does not agree' : ($state === WebOrderState::Taken ? 'Order'
            : 'Why') }}</th></tr></thead><tbody>
        @foreach($webs as $web)<tr>
            <td class="nowrap"><a class="code" href="{{ route('web-orders.show', $web) }}">{{ $web->number }}</a></td>
            <td>{{ $web->sender->name }}</td>
            <td class="nowrap">{{ ShopTime::at($web->received_at)->format('j M, H:i') }}</td>
            <td>@if($web->order !== null)<a class="code"
                href="{{ route('orders.show', $web->order) }}">{{ $web->order->label }}</a>
                {{ $web->order->customer->name }}@elseif($state === WebOrderState::Refused){{ $web->refused_why }}@else
                @foreach(array_slice($web->problemList(), 0, 2) as $problem)<div>{{ $problem->words }}</div>@endforeach
                @if(count($web->problems) > 2)<span class="small soft">and {{ count($web->problems) - 2 }} more</span>
                @endif @endif</td></tr>@endforeach</tbody></table>
    {{ $webs->links() }}@endif
    @can('interchange')
    <h2 class="mt-4">From a file</h2>
    @if($senders->isEmpty())<p class="soft">Say first <a href="{{ route('web-orders.senders') }}">who may send
        orders</a>.</p>@else
    <form method="post" action="{{ route('web-orders.upload') }}" enctype="multipart/form-data"
        class="d-flex flex-wrap gap-2 align-items-end">@csrf
        <div><label class="small soft d-block" for="sender">Sent by</label><select class="form-select" id="sender"
            name="sender">@foreach($senders as $one)<option value="{{ $one->code }}"
                @selected(old('sender') === $one->code)>{{ $one->name }}</option>@endforeach</select>
            @include('design.complaint', ['field' => 'sender'])</div>
        <div><label class="small soft d-block" for="file">UBL 2.1 Order</label><input type="file" class="form-control"
            id="file" name="file" accept=".xml,application/xml,text/xml">
            @include('design.complaint', ['field' => 'file'])</div>
        <button class="quiet-act">Read it</button></form>@endif
    @endcan
</div>
@endsection
