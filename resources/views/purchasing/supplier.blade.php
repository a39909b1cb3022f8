@use('Elmstone\Support\Show')
@extends('layout')
@section('title', $supplier->name === '' ? 'New supplier' : $supplier->name)
@section('main')
<div class="page">
    <div class="page-head"><h1>{{ $supplier->exists ? $supplier->name : 'New supplier' }}</h1>
        <div class="end">@if($toInvoice > 0)<a class="main-act narrow"
            href="{{ route('suppliers.invoice', $supplier) }}">Enter their invoice</a>@endif</div></div>
    @include('design.messages')
    <div class="split"><div>
    <form method="post" action="{{ $supplier->exists ? route('suppliers.update', $supplier)
        : route('suppliers.store') }}" autocomplete="off" class="row g-2">@csrf
        @foreach(['code' => ['Code', 3], 'name' => ['Name', 9], 'mail' => ['Mail for orders', 7],
            'phone' => ['Phone', 5], 'street' => ['Street', 6], 'postcode' => ['Postcode', 2], 'town' => ['Town', 4],
            'our_number' => ['Our number with them', 4],
            'lead_days' => ['Days to come', 3]] as $field => [$label, $wide])
            <div class="col-{{ $wide }}"><label class="small soft d-block" for="{{ $field }}">{{ $label }}</label><input
                class="form-control @error($field) is-refused @enderror" id="{{ $field }}" name="{{ $field }}"
                    value="{{ old($field, $supplier->getAttribute($field)) }}">
                @include('design.complaint', ['field' => $field])</div>@endforeach
        <div class="col-5 align-self-end"><label><input type="checkbox" class="form-check-input" name="active" value="1"
            @checked(old('code') === null ? $supplier->active : old('active'))> we buy of them</label></div>
        <div class="col-12"><button class="quiet-act">Save</button></div></form>
    @if($supplier->exists)
        <h2 class="mt-4">What we buy of them</h2>
        <table class="ruled small"><thead><tr><th>Item</th><th>Their code</th><th class="figure">Cost</th>
            <th class="figure">In packs of</th><th class="figure">Least here</th></tr></thead>
            @foreach($items as $one)<tr>
            <td>{{ $names[$one->item_id]?->description }} <span
                class="code soft">{{ $names[$one->item_id]?->code }}</span></td><td>{{ $one->their_code }}</td>
            <td class="figure">{{ Show::price($one->cost) }}</td><td class="figure">{{ Show::decimal($one->pack) }}</td>
            <td class="figure soft">{{ isset($levels[$one->item_id]) ? Show::decimal($levels[$one->item_id][0]).' to '
                .Show::decimal($levels[$one->item_id][1]) : '' }}</td>
            </tr>@endforeach</table>
        <form method="post" action="{{ route('suppliers.item', $supplier) }}" class="d-flex gap-2 align-items-end mt-2"
            autocomplete="off">@csrf
            @foreach(['code' => 'Code or barcode', 'their_code' => 'their code', 'item_cost' => 'cost',
                'pack' => 'in packs of', 'least' => 'least here', 'up_to' => 'buy up to'] as $field => $label)<div>
                    <label class="small soft d-block"
                    for="i-{{ $field }}">{{ $label }}</label><input class="form-control w-6
                        @error($field) is-refused @enderror" id="i-{{ $field }}" name="{{ $field }}">
                @include('design.complaint', ['field' => $field, 'id' => "i-{$field}"])</div>@endforeach
            <button class="quiet-act">Keep</button></form>
    @endif
    </div><aside>@if($supplier->exists)
        <form method="post" action="{{ route('suppliers.purchase', $supplier) }}" class="d-flex gap-2 align-items-end"
            autocomplete="off">@csrf<input type="hidden" name="key" value="{{ $key }}"><div><label
                class="small soft d-block" for="p-code">Order of them: code</label><input class="form-control w-8"
                    id="p-code" name="code"></div><div><label class="small soft d-block" for="p-many">how many</label>
            <input class="form-control w-5 text-end" id="p-many" name="many" inputmode="decimal" placeholder="1"></div>
            <button class="quiet-act">Begin</button></form>
        <h2 class="mt-3">Orders to them</h2>
        <table class="ruled small">@forelse($purchases as $one)<tr><td><a class="code"
            href="{{ route('purchases.show', $one) }}">{{ $one->label }}</a></td><td>{{ $one->state->words() }}</td>
            <td class="figure">{{ $one->total($house->currency()) }}</td></tr>@empty<tr><td class="soft">None yet.</td>
            </tr>@endforelse</table>
        <h2 class="mt-3">Their invoices</h2>
        <table class="ruled small">@forelse($invoices as $one)<tr><td>{{ $one->number }}</td>
            <td class="nowrap">{{ Show::date($one->dated) }}</td><td><a class="code" href="{{ route('documents.show',
                $one->document) }}">{{ $one->document->label }}</a></td><td class="figure">{{ $one->amount }}</td></tr>
            @empty<tr><td class="soft">None yet.</td></tr>@endforelse</table>
    @endif</aside></div>
</div>
@endsection
