@use('Elmstone\Support\Show')
@extends('layout')
@section('title', $grid->family->name)
@section('main')
@php($family = $grid->family)
@php($missing = count($grid->missing()))
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('families') }}">Families</a> / {{ $family->code }}</p>
    <div class="page-head"><h1>{{ $family->name }}</h1><span class="soft">{{ $family->department->name }} ·
        {{ $family->list_price === null ? 'each at its own price' : Show::price($family->list_price).' '
            .$house->currency()->code }}</span>
        <div class="end"><a class="link-act" href="{{ route('labels', ['from' => 'family', 'code' =>
            $family->code]) }}">Labels</a>
            @can('edit-items')
            @foreach(['prices' => 'Prices', 'barcodes' => 'Barcodes', 'codes' => 'Which items'] as $kind => $word)<a
                class="link-act ms-3" href="{{ route('families.show', [$family, 'type' => $kind]) }}"
                    @if($type === $kind) aria-current="true" @endif>{{ $word }}</a>@endforeach @endcan</div></div>
    @include('design.messages')
    @if($type === '')
        <nav class="narrow-by mb-2" aria-label="By place">
            @foreach($places as $one)<a href="{{ route('families.show', [$family, 'place' => $one->id]) }}"
                @if($place === $one->id) aria-current="true" @endif>{{ $one->town }}</a>@endforeach
            <a href="{{ route('families.show', [$family, 'place' => 'all']) }}"
                @if($place === null) aria-current="true" @endif>All places</a></nav>
        @include('catalogue.families.grid', ['does' => 'see'])
        <p class="small soft mt-2">On hand; behind it <b>−</b> what is set aside for somebody and <b>+</b> what is on
            order. Arrows go from cell to cell, Enter opens the item.</p>
        @can('edit-items')<div class="d-flex flex-wrap gap-4 align-items-end mt-4">
            @foreach(array_filter([1 => $family->first, 2 => $family->second]) as $axis => $name)
            <form method="post" action="{{ route('families.grow', $family) }}" class="d-flex gap-2 align-items-end">
                @csrf<input type="hidden" name="version" value="{{ $family->version }}">
                <input type="hidden" name="axis" value="{{ $axis }}">
                @php($mine = (int) old('axis') === $axis)
                <div><label class="small soft d-block" for="values-{{ $axis }}">More of {{ $name }}</label>
                    <input class="form-control {{ $mine && $errors->has('values') ? 'is-refused' : '' }}"
                        id="values-{{ $axis }}" name="values" value="{{ $mine ? old('values') : '' }}"
                            placeholder="with commas between" autocomplete="off">
                    @if($mine)@include('design.complaint', ['field' => 'values'])@endif</div>
                <button class="quiet-act">Put in</button></form>@endforeach
            @if($missing > 0)<form method="post" action="{{ route('families.complete', $family) }}">@csrf
                <input type="hidden" name="version" value="{{ $family->version }}"><button class="quiet-act">Make the
                {{ $missing === 1 ? 'item that is' : "{$missing} items that are" }} missing</button></form>@endif
        </div>@endcan
    @else
    <form method="post" action="{{ route('families.change', $family) }}" autocomplete="off">@csrf
        <input type="hidden" name="version" value="{{ $family->version }}">
        <input type="hidden" name="kind" value="{{ $type }}">
        @if($type === 'prices')<div class="mb-3"><label class="small soft d-block" for="price">Price of the family,
            {{ $house->currency()->code }}</label><input class="form-control figure-in w-8" id="price" name="price"
                inputmode="decimal" autofocus value="{{ old('price', $family->list_price === null ? ''
                    : Show::price($family->list_price)) }}">@include('design.complaint', ['field' => 'price'])</div>
        @endif
        @include('catalogue.families.grid', ['does' => $type])
        <p class="small soft mt-2">{{ ['prices' => 'An empty cell has the family’s price, and follows it.',
            'barcodes' => 'Scan from cell to cell; Enter goes to the next.',
            'codes' => 'Type the code of an item to put it there; an empty cell lets its item stand on its own.',
            ][$type] }}</p>
        <p><button class="main-act narrow">Keep</button> <a class="link-act ms-3"
            href="{{ route('families.show', $family) }}">Leave it</a></p>
    </form>
    @endif
</div>
@endsection
