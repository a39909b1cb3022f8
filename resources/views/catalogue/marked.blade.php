@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Marked down now')
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('markdowns') }}">Markdowns</a> / now</p>
    <div class="page-head"><h1>Marked down now</h1><span class="soft">until goods come in ·
        {{ $house->currency()->code }}</span></div>
    @include('design.messages')
    @if($items->isEmpty())<p class="empty">Nothing is marked down.</p>
    @else
    <table class="ruled">
        <thead><tr><th>Since</th><th>Code</th><th>Description</th><th>Department</th><th class="figure">On hand</th>
        <th class="figure">List</th><th class="figure">Marked down to</th><td></td></tr></thead>
        @foreach($items as $item)<tr><td class="nowrap">{{ Show::date($item->marked_on) }}</td>
            <td class="code"><a href="{{ route('items.show', $item) }}">{{ $item->code }}</a></td>
            <td>{{ $item->description }}</td><td>{{ $item->department->name }}</td>
            <td class="figure">{{ Show::decimal($item->onHand()) }}</td>
            <td class="figure">{{ Show::price($item->list_price) }}</td>
            <td class="figure fw-bold">{{ Show::price($item->marked_price) }}</td>
            <td><form method="post" action="{{ route('markdowns.end', $item) }}">@csrf<button class="link-act">End
                it<span class="visually-hidden"> for {{ $item->description }}</span></button></form></td></tr>
        @endforeach
    </table>
    {{ $items->links() }}
    @endif
</div>
@endsection
