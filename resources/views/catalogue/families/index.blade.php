@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Families')
@section('main')
<div class="page">
    <div class="page-head"><h1>Families</h1><span class="soft">items that differ in colour, size, length ·
        {{ $house->currency()->code }}</span><div class="end">
        @can('edit-items')<a class="quiet-act" href="{{ route('families.create') }}">New family</a>@endcan</div></div>
    @include('design.messages')
    @if($families->isEmpty())<p class="empty">There is none yet. A family shows one grid where a list would be long.</p>
    @else
    <table class="ruled">
        <thead><tr><th>Code</th><th>Name</th><th>Differ in</th><th>Department</th><th class="figure">Items</th>
        <th class="figure">Price</th></tr></thead>
        @foreach($families as $family)<tr>
            <td class="code"><a href="{{ route('families.show', $family) }}">{{ $family->code }}</a></td>
            <td>{{ $family->name }}</td><td>{{ $family->first }}{{ $family->second === '' ? ''
                : ", {$family->second}" }}</td><td>{{ $family->department->name }}</td>
            <td class="figure">{{ $family->items_count }}</td>
            <td class="figure">{{ $family->list_price === null ? 'their own' : Show::price($family->list_price) }}</td>
        </tr>@endforeach
    </table>
    {{ $families->links() }}
    @endif
</div>
@endsection
