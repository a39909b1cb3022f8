@extends('layout')
@section('title', 'New family')
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('families') }}">Families</a> / new</p>
    <div class="page-head"><h1>New family</h1><span class="soft">an item is made for each cell, {{ $most }} at
        most</span></div>
    @include('design.messages')
    <form class="item-form" method="post" action="{{ route('families.store') }}" autocomplete="off">@csrf
        <div class="wide"><label for="name">Name</label><input class="form-control" id="name" name="name"
            maxlength="100" autofocus placeholder="Grout" value="{{ old('name') }}">
            @include('design.complaint', ['field' => 'name'])</div>
        <div><label for="code">Codes begin with</label><input class="form-control code" id="code" name="code"
            maxlength="12" placeholder="GR" value="{{ old('code') }}">
            @include('design.complaint', ['field' => 'code'])</div>
        <div><label for="department_id">Department</label><select class="form-select" id="department_id"
            name="department_id">@foreach($departments as $one)<option value="{{ $one->id }}"
                @selected((string) $one->id === (string) old('department_id'))>{{ $one->name }}</option>@endforeach
            </select></div>
        @foreach([['first', 'They differ in', 'colour', 'white, ivory, mid grey'], ['second',
            'and in (if in two)', 'size', '1 kg, 5 kg']] as [$field, $label, $such, $values])
        <div><label for="{{ $field }}">{{ $label }}</label><input class="form-control" id="{{ $field }}"
            name="{{ $field }}" maxlength="40" placeholder="{{ $such }}" value="{{ old($field) }}">
            @include('design.complaint', ['field' => $field])</div>
        <div class="three"><label for="{{ $field }}_values">Values, with commas between</label><textarea
            class="form-control" id="{{ $field }}_values" name="{{ $field }}_values" rows="2"
                placeholder="{{ $values }}">{{ old("{$field}_values") }}</textarea>
            @include('design.complaint', ['field' => "{$field}_values"])</div>
        @endforeach
        <div><label for="unit">Sold by</label><select class="form-select" id="unit" name="unit">
            @foreach($units as $unit)<option @selected($unit->value === old('unit'))>{{ $unit->value }}</option>
            @endforeach</select></div>
        <div><label for="price_per">Prices are per</label><select class="form-select" id="price_per" name="price_per">
            @foreach([1, 100, 1000] as $per)<option @selected((string) $per === old('price_per'))>{{ $per }}</option>
            @endforeach</select></div>
        <div><label for="list_price">Price</label><input class="form-control figure-in" id="list_price"
            name="list_price" inputmode="decimal" value="{{ old('list_price') }}">
            @include('design.complaint', ['field' => 'list_price'])</div>
        <div><label for="cost">Cost, if known</label><input class="form-control figure-in" id="cost" name="cost"
            inputmode="decimal" value="{{ old('cost') }}">@include('design.complaint', ['field' => 'cost'])</div>
        <div><label for="tax_class">Tax class</label><select class="form-select" id="tax_class" name="tax_class">
            @foreach($taxClasses as $one)<option value="{{ $one->code }}"
                @selected($one->code === old('tax_class', 'standard'))>{{ $one->letter }} · {{ $one->name }}</option>
            @endforeach</select></div>
        <div class="full"><button class="main-act narrow">Make the family</button></div>
    </form>
</div>
@endsection
