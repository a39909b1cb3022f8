@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "Invoice of {$supplier->name}")
@section('main')
<div class="page narrow">
    <div class="page-head"><h1>Their invoice</h1><span class="soft"><a
        href="{{ route('suppliers.show', $supplier) }}">{{ $supplier->name }}</a> ·
        {{ $house->currency()->code }}</span></div>
    @include('design.messages')
    <form method="post" action="{{ route('suppliers.invoiced', $supplier) }}" autocomplete="off">@csrf
    <input type="hidden" name="key" value="{{ $key }}">
    <table class="ruled"><thead><tr><td></td><th>Came in by</th><th>Date</th><th>Order</th><th>Delivery note</th>
        <th class="figure">Cost, freight in it</th></tr></thead>@foreach($deliveries as $one)<tr>
        <td><input type="checkbox" class="form-check-input" name="ticked[]" value="{{ $one->document_id }}"
            id="d{{ $one->document_id }}" @checked(old('key') === null
                || in_array((string) $one->document_id, old('ticked', []), true))></td>
        <td><label class="code" for="d{{ $one->document_id }}">{{ $one->document->label }}</label></td>
        <td class="nowrap">{{ Show::date($one->document->business_date) }}</td>
        <td><a class="code" href="{{ route('purchases.show', $one->purchase) }}">{{ $one->purchase->label }}</a></td>
        <td>{{ $one->delivery_note }}</td><td class="figure">{{ $one->amount }}</td></tr>@endforeach</table>
    @include('design.complaint', ['field' => 'ticked'])
    <div class="d-flex flex-wrap gap-3 align-items-start mt-3">
        <div><label class="small soft d-block" for="number">Its number</label><input class="form-control
            @error('number') is-refused @enderror" id="number" name="number" maxlength="40" autofocus
                value="{{ old('number') }}">@include('design.complaint', ['field' => 'number'])</div>
        <div><label class="small soft d-block" for="dated">dated</label><input type="date" class="form-control"
            id="dated" name="dated" value="{{ old('dated', $today->format('Y-m-d')) }}">
            @include('design.complaint', ['field' => 'dated'])</div>
        <div><label class="small soft d-block" for="amount">comes to, without tax that is got back</label><input
            class="form-control text-end w-8 @error('amount') is-refused @enderror" id="amount" name="amount"
                inputmode="decimal" value="{{ old('amount') }}">@include('design.complaint', ['field' => 'amount'])
            <label class="small"><input type="checkbox" class="form-check-input" name="accepted" value="1"
                @checked(old('accepted'))> a difference is accepted</label></div>
        <button class="main-act narrow align-self-start mt-4">Post it</button></div>
    </form>
</div>
@endsection
