"""How a call that takes a file as its body is described."""

ONE_UPLOAD = {
    "requestBody": {"content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}}
}
