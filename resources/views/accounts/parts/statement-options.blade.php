<div><label for="as_of">As of</label><input class="form-control" type="date" id="as_of" name="as_of"
    value="{{ old('as_of', $day->format('Y-m-d')) }}"></div>
<div><label for="kind">Lists</label><select class="form-select" id="kind" name="kind">
<option value="">{{ $own }}</option>
<option value="open_item" @selected(request('kind') === 'open_item')>open items</option>
<option value="balance_forward" @selected(request('kind') === 'balance_forward')>balance forward</option></select></div>
<div><label for="older_than">Only items older than</label><div class="d-flex gap-2 align-items-center">
<input class="form-control text-end" id="older_than" name="older_than" inputmode="numeric" size="4" placeholder="all"
    value="{{ old('older_than', request('older_than')) }}"> days</div></div>
@error('as_of')<p class="complaint w-100">{{ $message }}</p>@enderror
@error('older_than')<p class="complaint w-100">{{ $message }}</p>@enderror
