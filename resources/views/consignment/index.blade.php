@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Owners')
@section('main')
<div class="page">
    <div class="page-head"><h1>Owners of goods</h1><span class="soft">whose things we sell ·
        {{ $house->currency()->code }}</span></div>
    @include('design.messages')
    @if($owners->isEmpty())<p class="empty">Nothing of anybody else’s is sold here yet.</p>
    @else
    <table class="ruled"><thead><tr><th>Code</th><th>Name</th><th class="figure">Has of a sale</th>
        <th class="figure">Items</th><th class="figure">Owed to them</th></tr></thead>
        @foreach($owners as $owner)@php($owes = $house->money($owed[$owner->id] ?? 0))<tr>
            <td class="code"><a href="{{ route('owners.show', $owner->code) }}">{{ $owner->code }}</a></td>
            <td>{{ $owner->name }}</td><td class="figure">{{ Show::decimal($owner->owner_percent) }} %</td>
            <td class="figure">{{ $items[$owner->id] ?? 0 }}</td>
            <td class="figure {{ $owes->isNegative() ? 'ochre' : '' }}">{{ Show::money($owes) }}</td></tr>@endforeach
    </table>@endif
    @can('edit-items')@if($others->isNotEmpty())<form method="post" action="{{ route('owners.begin') }}"
        class="d-flex gap-2 align-items-end mt-4">@csrf
        <div><label class="small soft d-block" for="supplier">A supplier who leaves goods to be sold</label><select
            class="form-select" id="supplier" name="supplier">@foreach($others as $one)<option value="{{ $one->id }}">{{
                $one->name }}</option>@endforeach</select></div><button class="quiet-act">Begin</button></form>
        @endif @endcan
</div>
@endsection
