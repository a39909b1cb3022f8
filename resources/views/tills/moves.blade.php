@use('Elmstone\Books\Purpose')
@use('Elmstone\Support\Show')
{{-- Cash that comes and goes besides sales, and what did so far. --}}
<h2 class="mt-4">Cash in and out</h2>
<form method="post" action="{{ route('till.cash') }}" autocomplete="off" class="moves"
    enctype="multipart/form-data">@csrf
    <input type="hidden" name="key" value="{{ $key }}">
    <div class="d-flex flex-wrap gap-2 align-items-start">
        <div><label for="what" class="small soft d-block">What</label><select class="form-select w-auto" id="what"
            name="what">
        @foreach([Purpose::PettyCash, Purpose::CashDrop, Purpose::CashUp] as $one)
            <option value="{{ $one->value }}" @selected(old('what') === $one->value)>{{ match ($one) {
                Purpose::PettyCash => 'Petty cash',
                Purpose::CashDrop => 'Drop into the safe',
                default => 'More cash from the safe',
            } }}</option>@endforeach
            <option value="change" @selected(old('what') === 'change')>Change: notes for coins</option></select></div>
        <div><label for="amount" class="small soft d-block">How much</label><input
            class="form-control w-6 text-end @error('amount') is-refused @enderror" id="amount" name="amount"
                inputmode="decimal" value="{{ old('amount') }}">
                @include('design.complaint', ['field' => 'amount'])</div>
        <div><label for="account" class="small soft d-block">Petty cash: spent on</label><select
            class="form-select w-auto @error('account') is-refused @enderror" id="account" name="account">
            <option value="">–</option>@foreach($petty as $code => $name)<option value="{{ $code }}"
                @selected(old('account') === $code)>{{ $name }}</option>@endforeach</select>
                @include('design.complaint', ['field' => 'account'])</div>
        <x-reasons of="money"/>
        <div class="flex-fill"><label for="reason" class="small soft d-block">What for</label><input
            list="reasons-money"
            class="form-control @error('reason') is-refused @enderror" id="reason" name="reason" maxlength="255"
                value="{{ old('reason') }}">@include('design.complaint', ['field' => 'reason'])</div>
    </div>
    <div class="mt-2"><label for="receipt" class="small soft">Picture of the receipt (PNG or JPEG)</label> <input
        class="form-control w-auto d-inline-block @error('receipt') is-refused @enderror" type="file" id="receipt"
            name="receipt" accept="image/png,image/jpeg">@include('design.complaint', ['field' => 'receipt'])</div>
    <x-approval id="cash" when="Petty cash beyond what you may hand out: another person allows it."/>
    <button class="quiet-act mt-2">Post it</button>
</form>
@if(count($moves) > 0)
<table class="ruled small mt-3"><thead><tr><th>Document</th><th>What</th><th>By</th><th class="figure">In</th>
<th class="figure">Out</th></tr></thead>
    @foreach($moves as $one)<tr>
    <td><a class="code" href="{{ route('documents.show', $one) }}">{{ $one->label }}</a></td>
    <td>{{ $one->purpose === Purpose::PettyCash ? ($petty[$one->tenders->first()?->reference] ?? 'Petty cash')
        : $one->title() }}{{ $one->note === '' ? '' : ", {$one->note}" }}@if(in_array($one->id, $receipts, true))
        · <a href="{{ route('till.receipt', $one->id) }}" target="_blank">receipt</a>@endif</td>
    <td>{{ $one->staff->name }}, {{ Show::time($one->posted_at) }}</td>
    <td class="figure">{{ $one->purpose->paysOut() ? '' : Show::money($one->total) }}</td>
    <td class="figure">{{ $one->purpose->paysOut() ? Show::money($one->total) : '' }}</td></tr>@endforeach</table>
@endif
