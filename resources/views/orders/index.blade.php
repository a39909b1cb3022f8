@use('Elmstone\Orders\Pages\OrderTab')
@extends('layout')
@section('title', 'Orders')
@section('main')
<div class="page">
    <div class="page-head"><h1>Orders</h1><span class="soft">{{ $report->about }}</span></div>
    @include('design.messages')
    <form class="filters" method="get" action="{{ route('orders') }}" role="search">
        <div><label for="find">Number, their order, name or phone</label><input class="form-control" id="find"
            name="find" size="24" value="{{ $find }}" autofocus></div>
        <button class="quiet-act">Find</button>
        <div class="choices" role="group" aria-label="Which">
            @foreach(OrderTab::cases() as $one)<a href="{{ route('orders', ['tab' => $one->value]) }}"
                @if($one === $tab && $find === '') aria-current="true" @endif>{{ $one->label() }}</a>@endforeach
        </div>
        <a class="link-act ms-auto" href="{{ route('orders.csv', ['tab' => $tab->value]) }}">Save as CSV</a>
    </form>
    <x-report :report="$report" />
    {{ $pages?->links() }}
</div>
@endsection
