<div><label for="pay-amount">Amount</label><input class="form-control text-end" id="pay-amount" name="amount"
    inputmode="decimal" autocomplete="off" value="{{ old('amount', $amount ?? '') }}"></div>
<div><label for="pay-way">Way</label><select class="form-select" id="pay-way" name="way">@foreach($ways as $way)
<option value="{{ $way->value }}" @selected(old('way') === $way->value)>{{ $way->label() }}</option>@endforeach</select>
</div>
<div><label for="pay-reference">Cheque number or reference</label><input class="form-control" id="pay-reference"
    name="reference" maxlength="60" autocomplete="off" value="{{ old('reference') }}"></div>
<div><label for="pay-reason">Why</label><input class="form-control" id="pay-reason" name="reason" maxlength="200"
    autocomplete="off" value="{{ old('reason') }}"></div>
<button class="quiet-act">Pay out</button>
