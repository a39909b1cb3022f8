@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Items')
@section('main')
<div class="page">
    <div class="page-head"><h1>Items</h1><span class="soft">{{ $house->currency()->code }}</span><div class="end">
    @if($items->isNotEmpty())<a class="link-act" href="{{ route('labels', ['from' => 'items', 'find' => $find,
        'department' => $department]) }}">Labels of these</a>@endif
    @can('edit-items')<a class="quiet-act" href="{{ route('items.create') }}">New item</a>@endcan</div></div>
    @include('design.messages')
    <form class="filters" method="get" action="{{ route('items') }}" role="search">
        <div><label for="find">Code, barcode or part of the name</label><input class="form-control" id="find"
            name="find" size="30" value="{{ $find }}" autofocus placeholder="lim*hook"></div>
        <div><label for="department">Department</label><select class="form-select" id="department" name="department">
        <option value="">all</option>@foreach($departments as $one)
        <option value="{{ $one->id }}" @selected($one->id === $department)>{{ $one->name }}</option>@endforeach</select>
        </div>
        <label class="pb-1"><input class="form-check-input" type="checkbox" name="off_sale" value="1"
            @checked(request()->boolean('off_sale'))> also off sale</label>
        <button class="quiet-act">Find</button>
    </form>
    @if($items->isEmpty())
        <p class="empty">No item matches “{{ $find }}”. Try fewer letters, or * for anything between.</p>
    @else
        <table class="ruled">
            <thead><tr><th>Code</th><th>Description</th><th>Department</th><th>Unit</th>
            <th class="figure">List price</th>@foreach($locations as $location)
            <th class="figure">{{ $location->town }}</th>@endforeach</tr></thead>
            <tbody>
            @foreach($items as $item)
                <tr><td><a class="code" href="{{ route('items.show', $item->code) }}">{{ $item->code }}</a></td>
                    <td>{{ $item->description }} @unless($item->active)<span
                        class="brick small">off sale</span>@endunless</td>
                    <td>{{ $item->department->name }}</td>
                    <td>{{ $item->unit->value }}{{ $item->price_per > 1 ? ", price per {$item->price_per}" : '' }}</td>
                    <td class="figure">{{ Show::price($item->list_price) }}</td>
                    @foreach($locations as $location)
                        @php($available = $item->stock->firstWhere('location_id', $location->id)?->available())
                        <td class="figure {{ $available?->isPositive() ? '' : 'ochre' }}">{{ $available === null ? '–'
                            : Show::decimal($available) }}</td>
                    @endforeach</tr>
            @endforeach
            </tbody>
        </table>
        {{ $items->links() }}
    @endif
</div>
@endsection
