@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "Pick {$order->label}")
@section('main')
<div class="page picking" x-data="picking">
    <div class="page-head"><h1>Pick <span class="code">{{ $order->label }}</span></h1>
    <span class="soft">{{ $order->customer->name }}{{ $order->wanted_on === null ? '' : ', wanted '
        .Show::date($order->wanted_on)." {$order->wanted_when}" }}</span>
    <div class="end"><a class="quiet-act" href="{{ route('orders.show', $order) }}">The order</a></div></div>
    @include('design.messages')
    @if($order->note !== '')<div class="note"><p>“{{ $order->note }}”</p></div>@endif
    <form class="pick-entry" action="{{ route('orders.pick.scan', $order) }}" @submit.prevent="scan">
        <label for="scanned" class="small soft">Scan each piece</label>
        <input class="form-control" id="scanned" name="scanned" autocomplete="off" autofocus
            placeholder="barcode, code or serial number" inputmode="none" @focus="show"></form>
    @include('orders.parts.pick-list')
</div>
@endsection
