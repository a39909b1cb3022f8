<div><label for="location">At</label><select class="form-select w-auto" id="location" name="location">
    <option value="">all locations</option>
    @foreach($locations as $location)<option value="{{ $location->id }}"
        @selected($request->location() === $location->id)>{{ $location->name }}</option>@endforeach</select></div>
