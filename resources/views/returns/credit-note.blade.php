@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Credit without goods')
@section('main')
<div class="page">
    <p class="small soft mb-1">
    @if($document !== null)<a href="{{ route('documents.show', $document) }}">{{ $document->label }}</a>@else<a
        href="{{ route('customers.show', $customer) }}">{{ $customer->name }}</a>@endif / credit</p>
    <div class="page-head"><h1>Credit without goods</h1>
    <span class="soft">{{ $document === null ? "for {$customer->name}"
        : "on {$document->label} of ".Show::date($document->business_date).($document->customer_name === '' ? ''
            : ", {$document->customer_name}") }} · {{ $house->currency()->code }}</span></div>
    @include('design.messages')
    <form method="post"
        action="{{ $document === null ? route('credit-notes.store-free', $customer)
            : route('credit-notes.store-on-invoice', $document) }}" autocomplete="off">
            @csrf<input type="hidden" name="key" value="{{ $key }}">
        <div class="split">
            <div>
                @if($document !== null)
                <table class="ruled">
                    <thead><tr><th class="figure">Qty</th><th>Item</th><th class="figure">Paid</th>
                    <th class="figure">Still there to credit</th><th class="figure">Credit, tax in it</th></tr></thead>
                    @foreach($document->lines as $line)
                        <tr><td class="figure">{{ Show::decimal($line->quantity) }}</td>
                        <td>{{ $line->description }} <span class="code soft">{{ $line->code }}</span></td>
                        <td class="figure">{{ $line->total }}</td>
                        <td class="figure">{{ $left[$line->position] }}</td>
                            <td class="figure">
                            <input class="form-control text-end d-inline-block" size="9"
                                name="amounts[{{ $line->position }}]" id="a{{ $line->position }}" inputmode="decimal"
                                    aria-label="Credit on {{ $line->description }}"
                                        value="{{ old("amounts.{$line->position}") }}"
                                            @disabled($left[$line->position]->isZero())></td></tr>
                    @endforeach
                </table>
                @else
                <div class="item-form">
                    <div><label for="amount">Credit, tax in it</label><input class="form-control text-end" id="amount"
                        name="amount" inputmode="decimal" value="{{ old('amount') }}" autofocus></div>
                    <div><label for="department_id">Lowers the sales of</label>
                    <select class="form-select" id="department_id" name="department_id">
                    <option value="">none: goodwill</option>@foreach($departments as $department)
                    <option value="{{ $department->id }}"
                        @selected((int) old('department_id') === $department->id)>{{ $department->name }}</option>
                        @endforeach</select></div>
                    <div><label for="tax_class">Tax</label><select class="form-select" id="tax_class" name="tax_class">
                    <option value="">none on it</option>@foreach($classes as $class)
                    <option value="{{ $class }}" @selected(old('tax_class') === $class)>{{ $class }}</option>@endforeach
                    </select></div>
                </div>
                @endif
                <div class="row g-2 mt-3">
                    @if($document !== null)<div class="col-4"><label for="why" class="small soft">Why</label>
                    <select class="form-select" id="why" name="why">@foreach($reasons as $reason)
                    <option value="{{ $reason->value }}"
                        @selected(old('why') === $reason->value)>{{ $reason->words() }}</option>@endforeach</select>
                        </div>@endif
                    <div class="col">
                    <label for="note" class="small soft">In words, on the credit note</label><input
                        class="form-control" id="note" name="note" maxlength="160" value="{{ old('note') }}"></div>
                </div>
            </div>
            <aside>
                <h2>Where it goes</h2>
                <div class="stack">
                    @if($hasAccount)<label><input type="radio" class="form-check-input" name="way"
                        value="house_account"
                            @checked(old('way',
                                'house_account') === 'house_account')> to their account{{ $document === null ? ''
                                    : ', this invoice first' }}</label>
                        <label class="ms-4"><input type="checkbox" class="form-check-input" name="oldest" value="1"
                            @checked(old('oldest'))> the rest pays the oldest due</label>@endif
                    @if($customer !== null)<label><input type="radio" class="form-check-input" name="way"
                        value="store_credit"
                            @checked(old('way', $hasAccount ? ''
                                : 'store_credit') === 'store_credit')> store credit</label>@endif
                    <label><input type="radio" class="form-check-input" name="way" value="gift_card"
                        @checked(old('way', $customer === null ? 'gift_card'
                            : '') === 'gift_card')> a new gift card</label>
                    @if($document !== null && $hasAccount)
                    <p class="small soft mb-0">What was charged goes back to the account in any case.</p>@endif
                </div>
                <h2 class="mt-4">Approved by</h2>
                <div class="stack">
                    <div class="row g-2"><div class="col-6">
                    <label for="approver" class="small soft">Staff number</label><input class="form-control"
                        id="approver" name="approver" inputmode="numeric" value="{{ old('approver') }}"></div>
                        <div class="col-6">
                        <label for="approver_pin" class="small soft">PIN</label><input class="form-control"
                            id="approver_pin" name="approver_pin" type="password" inputmode="numeric"></div></div>
                    <div><label for="approver_reason" class="small soft">Reason, for the record</label><input
                        class="form-control" id="approver_reason" name="approver_reason" maxlength="255"
                            value="{{ old('approver_reason') }}"></div>
                    <button class="quiet-act">Post credit note</button>
                </div>
            </aside>
        </div>
    </form>
</div>
@endsection
