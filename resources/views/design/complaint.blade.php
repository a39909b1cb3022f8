@error($field)
    <p class="complaint" id="{{ $id ?? $field }}-complaint" role="alert">{{ $message }}</p>
@enderror
