@use('Elmstone\Customers\RefusedWays')
@use('Elmstone\Support\Show')
@use('Illuminate\Support\Facades\Gate')
@extends('layout')
@section('title', $customer->exists ? $customer->name : 'New customer')
@section('main')
@php($may = Gate::allows('edit-prices'))
@php($exempt = old('exempt', $customer->exempt ?? []))
<div class="page">
    <p class="small soft mb-1">
    <a href="{{ route('customers') }}">Customers</a> / {{ $customer->exists ? $customer->number : 'new' }}</p>
    <div class="page-head"><h1>{{ $customer->exists ? $customer->name : 'New customer' }}</h1></div>
    @include('design.messages')
    <form method="post" enctype="multipart/form-data"
        action="{{ $customer->exists ? route('customers.update', $customer) : route('customers.store') }}">
        @csrf
        <input type="hidden" name="version" value="{{ $customer->version }}">
        @error('duplicate')
            <div class="note stop" role="alert"><p>{{ $message }}</p>
                <p class="mt-1">
                @foreach(session('duplicates', []) as [$number, $name])<a class="quiet-act me-2"
                    href="{{ route('customers.show', $number) }}">{{ $name }} <span
                        class="code soft">{{ $number }}</span></a>@endforeach
                <label class="d-inline-flex gap-2 align-items-center"><input class="form-check-input m-0"
                    type="checkbox" name="sure" value="1"> This is somebody else</label></p></div>
        @enderror
        <div class="item-form">
            <div class="wide">
            <label for="name">Name</label><input class="form-control @error('name') is-refused @enderror" id="name"
                name="name" maxlength="120" value="{{ old('name', $customer->name) }}"
                    autofocus>@include('design.complaint', ['field' => 'name'])</div>
            <div><label for="kind">Person or firm</label><select class="form-select" id="kind" name="kind">
            @foreach(['person', 'firm'] as $kind)
            <option @selected(old('kind', $customer->kind?->value) === $kind)>{{ $kind }}</option>@endforeach</select>
            </div>
            <div><label for="customer_type_id">Type</label>
            <select class="form-select" id="customer_type_id" name="customer_type_id"
                @disabled(! $may && $customer->exists)><option value="">none</option>@foreach($types as $type)
                <option value="{{ $type->id }}"
                    @selected((int) old('customer_type_id',
                        $customer->customer_type_id) === $type->id)>{{ $type->name }}{{ $type->priceLevel === null ? ''
                            : " · {$type->priceLevel->name} price" }}{{ $type->discount_percent === null ? ''
                                : ' · '.Show::decimal($type->discount_percent).' %' }}</option>@endforeach</select>
                                </div>
            <div><label for="phone">Phone</label><input class="form-control" id="phone" name="phone" maxlength="40"
                inputmode="tel" value="{{ old('phone', $customer->phone) }}"></div>
            <div><label for="mail">Mail</label><input class="form-control @error('mail') is-refused @enderror"
                id="mail" name="mail" maxlength="160" inputmode="email"
                    value="{{ old('mail', $customer->mail) }}">@include('design.complaint', ['field' => 'mail'])</div>
            <div class="wide">
            <label for="street">Street</label><input class="form-control" id="street" name="street" maxlength="120"
                value="{{ old('street', $customer->street) }}"></div>
            <div><label for="postcode">Postcode</label><input class="form-control" id="postcode" name="postcode"
                maxlength="20" value="{{ old('postcode', $customer->postcode) }}"></div>
            <div><label for="town">Town</label><input class="form-control" id="town" name="town" maxlength="80"
                value="{{ old('town', $customer->town) }}"></div>
            <div><label for="country">Country</label><input class="form-control @error('country') is-refused @enderror"
                id="country" name="country" maxlength="2"
                    value="{{ old('country', $customer->country) }}">@include('design.complaint',
                        ['field' => 'country'])</div>
            <div><label for="tax_number">Tax number</label><input class="form-control" id="tax_number"
                name="tax_number" maxlength="40" value="{{ old('tax_number', $customer->tax_number) }}"></div>
            <div class="wide">
            <label for="tags">Tags, with commas</label><input class="form-control" id="tags" name="tags"
                value="{{ old('tags', implode(', ', $tags)) }}"></div>
            @if($may)
                <div><label for="discount_percent">Own discount, %</label><input
                    class="form-control figure-in @error('discount_percent') is-refused @enderror"
                        id="discount_percent" name="discount_percent" inputmode="decimal" placeholder="the type’s"
                            value="{{ old('discount_percent', $customer->discount_percent === null ? ''
                                : Show::decimal($customer->discount_percent)) }}">@include('design.complaint',
                                    ['field' => 'discount_percent'])</div>
                <div class="full"><h2 class="mt-2">Tax exemption</h2>
                    <div class="checks">
                        <label><input class="form-check-input m-0" type="checkbox" name="exempt[]" value="*"
                            @checked(in_array('*', $exempt, true))> all tax</label>
                        @foreach($components as $code => $name)<label><input class="form-check-input m-0"
                            type="checkbox" name="exempt[]" value="{{ $code }}"
                                @checked(in_array($code, $exempt, true))> {{ $name }}</label>@endforeach
                    </div></div>
                <div><label for="certificate">Certificate number</label><input
                    class="form-control @error('certificate') is-refused @enderror" id="certificate" name="certificate"
                        maxlength="40"
                            value="{{ old('certificate', $customer->certificate) }}">@include('design.complaint',
                                ['field' => 'certificate'])</div>
                <div><label for="certificate_expires">Expires</label><input
                    class="form-control @error('certificate_expires') is-refused @enderror" type="date"
                        id="certificate_expires" name="certificate_expires"
                            value="{{ old('certificate_expires',
                                $customer->certificate_expires?->format('Y-m-d')) }}">@include('design.complaint',
                                    ['field' => 'certificate_expires'])</div>
                <div class="wide">
                <label for="scan">Scan of it, PDF or picture</label><input
                    class="form-control @error('scan') is-refused @enderror" type="file" id="scan" name="scan"
                        accept="application/pdf,image/png,image/jpeg">@include('design.complaint', ['field' => 'scan'])
                        </div>
                @php($refusedWays = RefusedWays::of($customer->exists ? $customer : null)->why)
                <div class="full"><h2 class="mt-2">Ways of paying that are not taken from them</h2>
                    <input type="hidden" name="ways_shown" value="1">
                    @foreach(RefusedWays::KINDS as $kind)
                    <div class="row g-2 mb-1 align-items-center"><div class="col-3"><label><input
                        class="form-check-input m-0" type="checkbox" name="refused[]" value="{{ $kind->value }}"
                            @checked(in_array($kind->value, (array) old('refused', array_keys($refusedWays)), true))>
                            {{ $kind->label() }}</label></div>
                        <div class="col"><input class="form-control" name="refused_why[{{ $kind->value }}]"
                            maxlength="160" placeholder="why; the clerk sees it" aria-label="Why
                                {{ mb_strtolower($kind->label()) }} is not taken"
                                    value="{{ old("refused_why.{$kind->value}", $refusedWays[$kind->value] ?? '') }}">
                        </div></div>@endforeach
                </div>
            @endif
        </div>
        <h2 class="mt-4">People who come for them</h2>
        @include('design.complaint', ['field' => 'contacts'])
        <table class="ruled form-rows">
            <thead><tr><th>Name</th><th>Phone</th><th>Mail</th><th>May buy</th><th class="figure">At most, per sale</th>
            </tr></thead>
            @php($contacts = old('contacts', $customer->exists
                ? $customer->contacts->where('active',
                    true)->map(fn ($contact) => ['id' => $contact->id, 'name' => $contact->name,
                        'phone' => $contact->phone, 'mail' => $contact->mail, 'may_buy' => $contact->may_buy ? '1'
                            : '', 'spending_limit' => $contact->spending_limit === null ? ''
                                : $contact->spending_limit->toString()])->values()->all() : []))
            @foreach([...$contacts, ['may_buy' => '1'], ['may_buy' => '1']] as $i => $row)
                <tr><td><input type="hidden" name="contacts[{{ $i }}][id]" value="{{ $row['id'] ?? '' }}"><input
                    class="form-control" name="contacts[{{ $i }}][name]" aria-label="Name"
                        value="{{ $row['name'] ?? '' }}"></td><td>
                        <input class="form-control" name="contacts[{{ $i }}][phone]" aria-label="Phone"
                            value="{{ $row['phone'] ?? '' }}"></td><td>
                            <input class="form-control" name="contacts[{{ $i }}][mail]" aria-label="Mail"
                                value="{{ $row['mail'] ?? '' }}"></td><td>
                                <input class="form-check-input" type="checkbox" name="contacts[{{ $i }}][may_buy]"
                                    aria-label="May buy" value="1" @checked(($row['may_buy'] ?? '') === '1')></td><td>
                                    <input class="form-control text-end" name="contacts[{{ $i }}][spending_limit]"
                                        aria-label="At most" inputmode="decimal" placeholder="no limit"
                                            value="{{ $row['spending_limit'] ?? '' }}"></td></tr>
            @endforeach
        </table>
        <h2 class="mt-4">Other addresses</h2>
        <table class="ruled form-rows">
            <thead><tr><th>What it is</th><th>Street</th><th>Postcode</th><th>Town</th></tr></thead>
            @php($addresses = old('addresses', $customer->exists
                ? $customer->addresses->map->only(['label', 'street', 'postcode', 'town'])->values()->all() : []))
            @foreach([...$addresses, []] as $i => $row)
                <tr>@foreach(['label' => 'What it is', 'street' => 'Street', 'postcode' => 'Postcode',
                    'town' => 'Town'] as $name => $words)<td>
                    <input class="form-control" name="addresses[{{ $i }}][{{ $name }}]" aria-label="{{ $words }}"
                        value="{{ $row[$name] ?? '' }}"></td>@endforeach</tr>
            @endforeach
        </table>
        @if($may)
        <h2 class="mt-4">Contract prices</h2>
        @include('design.complaint', ['field' => 'contract'])
        <table class="ruled form-rows">
            <thead><tr><th>Item code</th><th>Item</th><th class="figure">Price</th><th>From</th><th>Until</th></tr>
            </thead>
            @php($contract = old('contract', $customer->exists
                ? $customer->contractPrices->map(fn ($price) => ['code' => $price->item->code,
                    'item' => $price->item->description, 'price' => Show::price($price->price),
                        'from' => $price->from_date?->format('Y-m-d'), 'until' => $price->until_date?->format('Y-m-d')])
                            ->values()->all() : []))
            @foreach([...$contract, [], []] as $i => $row)
                <tr><td><input class="form-control code" name="contract[{{ $i }}][code]" aria-label="Item code"
                    value="{{ $row['code'] ?? '' }}"></td><td class="soft">{{ $row['item'] ?? '' }}</td><td>
                    <input class="form-control text-end" name="contract[{{ $i }}][price]" aria-label="Price"
                        inputmode="decimal" value="{{ $row['price'] ?? '' }}"></td><td>
                        <input class="form-control" type="date" name="contract[{{ $i }}][from]" aria-label="From"
                            value="{{ $row['from'] ?? '' }}"></td><td>
                            <input class="form-control" type="date" name="contract[{{ $i }}][until]" aria-label="Until"
                                value="{{ $row['until'] ?? '' }}"></td></tr>
            @endforeach
        </table>
        @endif
        <p class="mt-3">
        <button class="main-act narrow">Save customer</button> <a class="link-act ms-3"
            href="{{ $customer->exists ? route('customers.show', $customer)
                : route('customers') }}">Leave as it was</a></p>
    </form>
</div>
@endsection
