@extends('layout')
@section('title', 'Labels')
@section('main')
<div class="page">
    <div class="page-head"><h1>Labels</h1><span class="soft">with the price a passer-by pays for one, what a kilogram or
        a litre costs where the item says what is in it, and the barcode</span></div>
    @include('design.messages')
    <form class="labels" method="post" action="{{ route('labels.print') }}">@csrf
        <div><label for="list">Items, a line for each: scan, or type a code; <span class="code">3 x</span> before it for
            three labels</label>
            <textarea class="form-control code @error('list') is-refused @enderror" id="list" name="list" rows="18"
                spellcheck="false" autofocus x-data="scannedInto">{{ old('list', $list) }}</textarea>
            @include('design.complaint', ['field' => 'list'])
            <p class="small soft mt-1">Or <a href="{{ route('labels', ['from' => 'prices']) }}">what changed its price
                today</a>, <a href="{{ route('labels', ['from' => 'prices', 'since' =>
                    $today->subWeek()->format('Y-m-d')]) }}">this week</a>, <a
                        href="{{ route('labels', ['from' => 'markdowns']) }}">what was marked down today</a>; a list of
                            items, a purchase and a family have their labels on their own pages.</p></div>
        <div class="stack">
            <div><label for="size">Sheet or roll</label><select class="form-select" id="size" name="size">
                @foreach($sizes as $one)<option value="{{ $one->name }}"
                    @selected($one->name === old('size', $size))>{{ $one->words }}</option>@endforeach</select>
                @include('design.complaint', ['field' => 'size'])</div>
            <div><label for="first">First label still on the sheet, counted row by row</label>
                <input class="form-control figure-in" id="first" name="first" inputmode="numeric" size="4"
                    value="{{ old('first', 1) }}">@include('design.complaint', ['field' => 'first'])</div>
            <div><label for="day">Prices of</label><input type="date" class="form-control" id="day" name="day"
                value="{{ old('day', $today->format('Y-m-d')) }}">@include('design.complaint', ['field' => 'day'])</div>
            <div><button class="main-act narrow">Make the sheet</button></div>
        </div>
    </form>
</div>
@endsection
