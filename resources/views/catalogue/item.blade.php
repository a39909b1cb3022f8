@use('Elmstone\Core\Money\UnitPrice')
@use('Elmstone\Catalogue\ContentUnit')
@use('Elmstone\Catalogue\Unit')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', $item->exists ? $item->code : 'New item')
@section('main')
@php($shown = fn (?UnitPrice $price): string => $price === null ? '' : Show::price($price))
@php($may = auth()->user()->can('edit-items'))
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('items') }}">Items</a> / {{ $item->exists ? $item->code : 'new' }}</p>
    <div class="page-head"><h1>{{ $item->exists ? $item->description : 'New item' }}</h1>
    @if($item->exists && ! $item->active)<span class="brick">off sale</span>@endif
    @if($item->marked_price !== null)<span class="ochre">marked down to {{ Show::price($item->marked_price) }} since
        {{ Show::date($item->marked_on) }}</span>@endif
    @if($item->exists)<div class="end"><a class="link-act" href="{{ route('labels', ['from' => 'items', 'code' =>
        $item->code]) }}">Labels</a></div>@endif</div>
    @include('design.messages')
    @if($grid !== null)<details class="fold mb-3"><summary>One of the {{ count($grid->cells()) }} of
        {{ $grid->family->name }}: {{ $grid->rows[$item->first_value] ?? '' }} {{ $grid->columns[$item->second_value]
            ?? '' }}</summary>
        @include('catalogue.families.grid', ['does' => 'see', 'place' => null])
        <p class="small mt-1"><a href="{{ route('families.show', $grid->family) }}">The family</a> <span class="soft">·
            all places together</span></p></details>@endif
    @if($errors->any() && ! $errors->has('refused'))<div class="note stop" role="alert"><p>Not saved yet: see below.</p>
    </div>@endif
    <div class="split">
        <form class="item-form" method="post"
            action="{{ $item->exists ? route('items.update', $item->code) : route('items.store') }}">
            @csrf
            <fieldset class="d-contents item-form full" @disabled(! $may)>
            <div><label for="code">Code</label><input class="form-control code" id="code" name="code" maxlength="24"
                value="{{ old('code', $item->code) }}">@include('design.complaint', ['field' => 'code'])</div>
            <div><label for="barcode">Barcode</label><input class="form-control code" id="barcode" name="barcode"
                inputmode="numeric" maxlength="14"
                    value="{{ old('barcode', $item->barcode) }}">@include('design.complaint', ['field' => 'barcode'])
                    </div>
            <div class="wide">
            <label for="description">Description</label><input class="form-control" id="description" name="description"
                maxlength="160"
                    value="{{ old('description', $item->description) }}">@include('design.complaint',
                        ['field' => 'description'])</div>
            <div class="wide"><label for="department_id">Department</label>
            <select class="form-select" id="department_id" name="department_id">@foreach($departments as $one)
            <option value="{{ $one->id }}"
                @selected((string) $one->id === (string) old('department_id', $item->department_id))>{{ $one->name }}
                </option>@endforeach</select>@include('design.complaint', ['field' => 'department_id'])</div>
            <div><label for="unit">Sold by</label><select class="form-select" id="unit" name="unit">
            @foreach(Unit::cases() as $unit)
            <option value="{{ $unit->value }}"
                @selected($unit->value === old('unit', $item->unit->value))>{{ $unit->value }}</option>@endforeach
                </select></div>
            <div><label for="price_per">Prices are per</label>
            <select class="form-select" id="price_per" name="price_per">@foreach([1, 100, 1000] as $per)
            <option @selected((string) $per === (string) old('price_per', $item->price_per))>{{ $per }}</option>
            @endforeach</select></div>
            <div><label for="list_price">List price</label><input class="form-control figure-in" id="list_price"
                name="list_price" inputmode="decimal"
                    value="{{ old('list_price', $shown($item->list_price)) }}">@include('design.complaint',
                        ['field' => 'list_price'])</div>
            @can('see-margin')
            <div><label for="floor_price">Lowest accepted price</label><input class="form-control figure-in"
                id="floor_price" name="floor_price" inputmode="decimal"
                    value="{{ old('floor_price', $shown($item->floor_price)) }}">@include('design.complaint',
                        ['field' => 'floor_price'])</div>
            <div><label for="cost">Cost, moving average</label><input class="form-control figure-in" id="cost"
                name="cost" inputmode="decimal" value="{{ old('cost', $shown($item->cost)) }}"><input type="hidden"
                    name="cost_shown"
                        value="{{ old('cost_shown', $item->exists ? $shown($item->cost)
                            : '') }}">@include('design.complaint', ['field' => 'cost'])</div>
            @endcan
            <div><label for="tax_class">Tax class</label><select class="form-select" id="tax_class" name="tax_class">
            @foreach($taxClasses as $one)
            <option value="{{ $one->code }}"
                @selected($one->code === old('tax_class', $item->tax_class))>{{ $one->letter }} · {{ $one->name }}
                </option>@endforeach</select></div>
            <div><label for="weight">Weight of one, kg</label><input class="form-control figure-in" id="weight"
                name="weight" inputmode="decimal" placeholder="not known"
                    value="{{ old('weight', Brick\Math\BigDecimal::of($item->weight)->isZero() ? ''
                        : Show::decimal($item->weight)) }}">@include('design.complaint', ['field' => 'weight'])</div>
            <div><label for="content">What is in one</label><div class="d-flex gap-1">
                <input class="form-control figure-in" id="content" name="content" inputmode="decimal"
                    placeholder="not said" value="{{ old('content', $item->content === null ? ''
                        : Show::decimal($item->content)) }}"><select class="form-select w-auto" name="content_unit"
                            aria-label="Unit of what is in one">@foreach(ContentUnit::cases() as $unit)
                <option @selected($unit->value === old('content_unit', $item->content_unit))>{{ $unit->value }}</option>
                @endforeach</select></div>@include('design.complaint', ['field' => 'content'])</div>
            <div><label for="shelf">Shelf</label><input class="form-control" id="shelf" name="shelf" maxlength="40"
                value="{{ old('shelf', $item->shelf) }}">@include('design.complaint', ['field' => 'shelf'])</div>
            <div class="full checks">
                <label><input type="checkbox" class="form-check-input m-0" name="may_discount" value="1"
                    @checked(old('may_discount', $item->may_discount))> may be discounted</label>
                <label>comes back <select class="form-select d-inline-block w-auto" name="return_policy_id"
                    aria-label="Return rule"><option value="">as its department has it</option>
                    @foreach($policies as $id => $name)
                    <option value="{{ $id }}"
                        @selected((int) old('return_policy_id', $item->return_policy_id) === $id)>{{ $name }}</option>
                        @endforeach</select></label>
                <label><input type="checkbox" class="form-check-input m-0" name="has_serials" value="1"
                    @checked(old('has_serials', $item->has_serials))> ask for serial numbers</label>
                <label><input type="checkbox" class="form-check-input m-0" name="divisible" value="1"
                    @checked(old('divisible', $item->divisible))> may be divided</label>
                <label><input type="checkbox" class="form-check-input m-0" name="net_price" value="1"
                    @checked(old('net_price', $item->net_price))> net price: never discounted</label>
                <label><input type="checkbox" class="form-check-input m-0" name="active" value="1"
                    @checked(old('active', $item->active))> on sale</label>
            </div>
            <div class="full">
                <label for="clerk_words">For whoever sells it: what to say, how it is measured</label>
                <input class="form-control" id="clerk_words" name="clerk_words" maxlength="500"
                    value="{{ old('clerk_words', $item->clerk_words) }}">@include('design.complaint',
                        ['field' => 'clerk_words'])
                <div class="row g-2 mt-1"><div class="col-3 soft">Goes with it</div>
                @foreach(range(0, 2) as $i)<div class="col">
                <input class="form-control" name="belongings[{{ $i }}]" placeholder="code" autocomplete="off"
                    aria-label="Code of something that goes with it, {{ $i + 1 }}" value="{{ old("belongings.{$i}",
                        $item->belongings->values()->get($i)?->code) }}">@include('design.complaint',
                            ['field' => "belongings.{$i}"])</div>@endforeach</div>
            </div>
            <div class="wide">
                <h2 class="mt-2">Quantity prices</h2>
                @foreach(range(0, max(2, $item->breaks->count())) as $i)
                    @php($break = $item->breaks->values()->get($i))
                    <div class="row g-2 mb-1"><div class="col">
                    <input class="form-control figure-in" name="breaks[{{ $i }}][from_quantity]"
                        aria-label="From quantity" placeholder="from" inputmode="decimal"
                            value="{{ old("breaks.{$i}.from_quantity", $break === null ? ''
                                : Show::decimal($break->from_quantity)) }}">@include('design.complaint',
                                    ['field' => "breaks.{$i}.from_quantity"])</div>
                    <div class="col">
                    <input class="form-control figure-in" name="breaks[{{ $i }}][price]" aria-label="Price from there"
                        placeholder="price" inputmode="decimal"
                            value="{{ old("breaks.{$i}.price", $shown($break?->price)) }}">@include('design.complaint',
                                ['field' => "breaks.{$i}.price"])</div></div>
                @endforeach
            </div>
            <div class="full">
                <h2 class="mt-2">Promotions</h2>
                @foreach(range(0, max(1, $item->promotions->count())) as $i)
                    @php($promotion = $item->promotions->values()->get($i))
                    <div class="row g-2 mb-1">
                        <div class="col-5">
                        <input class="form-control" name="promotions[{{ $i }}][name]" aria-label="Promotion"
                            placeholder="name"
                                value="{{ old("promotions.{$i}.name",
                                    $promotion?->name) }}">@include('design.complaint',
                                        ['field' => "promotions.{$i}.name"])</div>
                        <div class="col">
                        <input class="form-control figure-in" name="promotions[{{ $i }}][price]"
                            aria-label="Promotion price" placeholder="price" inputmode="decimal"
                                value="{{ old("promotions.{$i}.price",
                                    $shown($promotion?->price)) }}">@include('design.complaint',
                                        ['field' => "promotions.{$i}.price"])</div>
                        <div class="col">
                        <input type="date" class="form-control" name="promotions[{{ $i }}][from_date]"
                            aria-label="Promotion from"
                                value="{{ old("promotions.{$i}.from_date",
                                    $promotion?->from_date?->format('Y-m-d')) }}"></div>
                        <div class="col">
                        <input type="date" class="form-control" name="promotions[{{ $i }}][until_date]"
                            aria-label="Promotion until"
                                value="{{ old("promotions.{$i}.until_date",
                                    $promotion?->until_date?->format('Y-m-d')) }}">@include('design.complaint',
                                        ['field' => "promotions.{$i}.until_date"])</div>
                    </div>
                @endforeach
            </div>
            </fieldset>
            @if($may)<div class="full"><button class="main-act narrow">Save item</button></div>@endif
        </form>
        <aside>
            @if($item->exists)
                <x-attached of="item" :id="$item->id" :sums="false"/>
                <h2>Stock</h2>
                <table class="ruled mb-4">
                    <thead><tr><th>Location</th><th class="figure">On hand</th><th class="figure">Committed</th>
                    <th class="figure">Available</th></tr></thead>
                    <tbody>@forelse($item->stock as $stock)<tr><td>{{ $stock->location->name }}</td>
                    <td class="figure">{{ Show::decimal($stock->on_hand) }}</td>
                    <td class="figure">{{ Show::decimal($stock->committed) }}</td>
                    <td class="figure">{{ Show::decimal($stock->available()) }}</td></tr>@empty<tr>
                    <td colspan="4" class="soft">None anywhere yet.</td></tr>@endforelse</tbody>
                </table>
                @can('see-margin')
                <h2>Changes of price</h2>
                <table class="ruled">
                    <tbody>@forelse($item->priceChanges->take(20) as $change)<tr>
                    <td class="text-nowrap">{{ Show::on($change->changed_at) }}</td>
                    <td>{{ $change->field }}<div class="small soft">{{ $change->staff->name }}</div></td>
                    <td class="figure">{{ $change->was ?? '–' }} → {{ $change->became ?? '–' }}</td></tr>@empty<tr>
                    <td class="soft">None on record.</td></tr>@endforelse</tbody>
                </table>
                @endcan
            @endif
        </aside>
    </div>
</div>
@endsection
