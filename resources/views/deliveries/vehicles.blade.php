@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Lorries')
@section('main')
<div class="page">
    <div class="page-head"><h1>Lorries</h1><span class="soft">of this location</span></div>
    @include('design.messages')
    @foreach([...$vehicles, null] as $vehicle)
    <form method="post" action="{{ $vehicle === null ? route('vehicles.store') : route('vehicles.update', $vehicle) }}"
        class="d-flex flex-wrap gap-3 align-items-end mb-2" autocomplete="off">@csrf
        <div><label class="small soft d-block" for="name-{{ $vehicle->id ?? 'new' }}">{{ $vehicle === null
            ? 'Another lorry' : 'Name' }}</label><input class="form-control" id="name-{{ $vehicle->id ?? 'new' }}"
                name="name" maxlength="60" value="{{ $vehicle->name ?? '' }}"></div>
        <div><label class="small soft d-block" for="carries-{{ $vehicle->id ?? 'new' }}">Carries, kg</label><input
            class="form-control text-end w-6" id="carries-{{ $vehicle->id ?? 'new' }}" name="carries"
                inputmode="decimal" value="{{ ($vehicle?->carriesAtMost()) === null ? ''
                    : Show::decimal($vehicle->carriesAtMost()) }}"></div>
        @if($vehicle !== null)<label class="small"><input type="checkbox" class="form-check-input" name="active"
            value="1" @checked($vehicle->active)> in use</label>@endif
        <button class="quiet-act">{{ $vehicle === null ? 'Add' : 'Save' }}</button></form>
    @endforeach
    @include('design.complaint', ['field' => 'name'])
    @include('design.complaint', ['field' => 'carries'])
</div>
@endsection
